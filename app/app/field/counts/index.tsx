import { CountsScreen } from '../../../features/field/CountsScreen';

export default function Route() {
  return <CountsScreen />;
}
