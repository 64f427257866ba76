import { useParams } from '../../lib/useParams';
import { BlindScreen } from '../../features/opinions/BlindScreen';

export default function Route() {
  return <BlindScreen id={useParams<{ id: string }>().id} />;
}
