import { OfficeScreen } from '../../features/office/OfficeScreen';

export default function Route() {
  return <OfficeScreen />;
}
