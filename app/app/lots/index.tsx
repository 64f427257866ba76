import { LotsScreen } from '../../features/lots/LotsScreen';

export default function Route() {
  return <LotsScreen />;
}
