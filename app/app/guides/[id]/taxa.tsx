import { useParams } from '../../../lib/useParams';
import { TaxaPage } from '../../../features/book/TaxaPage';

export default function Route() {
  return <TaxaPage id={useParams<{ id: string }>().id} />;
}
