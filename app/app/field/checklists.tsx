import { ChecklistsScreen } from '../../features/import/ChecklistsScreen';

export default function Route() {
  return <ChecklistsScreen />;
}
