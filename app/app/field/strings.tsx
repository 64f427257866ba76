import { StringsScreen } from '../../features/field/StringsScreen';

export default function Route() {
  return <StringsScreen />;
}
