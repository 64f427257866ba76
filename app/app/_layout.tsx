import { Slot } from 'expo-router';
import { PageFailed } from '../features/shell/PageFailed';
import { Root } from '../features/shell/Root';

/** Of a page that fails the places round it stay; where they fail themselves, it stands alone. */
export const unstable_settings = { screenErrorBoundary: PageFailed };
export { PageFailed as ErrorBoundary };

export default function Layout() {
  return (
    <Root>
      <Slot />
    </Root>
  );
}
