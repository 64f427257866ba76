import { Slot } from 'expo-router';
import { Root } from '../features/shell/Root';

export default function Layout() {
  return (
    <Root>
      <Slot />
    </Root>
  );
}
