import { useParams } from '../../../lib/useParams';
import { BesideScreen } from '../../../features/beside/BesideScreen';

export default function Route() {
  return <BesideScreen id={useParams<{ id: string }>().id} />;
}
