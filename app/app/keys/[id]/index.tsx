import { useParams } from '../../../lib/useParams';
import { KeyPage } from '../../../features/keys/KeyPage';

export default function Route() {
  return <KeyPage id={useParams<{ id: string }>().id} />;
}
