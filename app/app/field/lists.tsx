import { ListsScreen } from '../../features/field/ListsScreen';

export default function Route() {
  return <ListsScreen />;
}
