import { SumsScreen } from '../../features/field/SumsScreen';

export default function Route() {
  return <SumsScreen />;
}
