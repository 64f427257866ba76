import { useParams } from '../../../lib/useParams';
import { CoverPage } from '../../../features/book/CoverPage';

export default function Route() {
  return <CoverPage id={useParams<{ id: string }>().id} />;
}
