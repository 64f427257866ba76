import { useParams } from '../../lib/useParams';
import { LotPage } from '../../features/lots/LotPage';

export default function Route() {
  return <LotPage id={useParams<{ id: string }>().id} />;
}
