import { FieldScreen } from '../../features/field/FieldScreen';

export default function Route() {
  return <FieldScreen />;
}
