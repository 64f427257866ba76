import { useParams } from '../../../lib/useParams';
import { CountPage } from '../../../features/field/CountPage';

export default function Route() {
  return <CountPage id={useParams<{ id: string }>().id} />;
}
