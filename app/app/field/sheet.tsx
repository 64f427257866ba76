import { SheetPage } from '../../features/field/SheetPage';

export default function Route() {
  return <SheetPage />;
}
