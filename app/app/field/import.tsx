import { ImportScreen } from '../../features/import/ImportScreen';

export default function Route() {
  return <ImportScreen />;
}
