import { DraftsScreen } from '../../../features/authoring/DraftsScreen';

export default function Route() {
  return <DraftsScreen />;
}
