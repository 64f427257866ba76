import { useParams } from '../../../lib/useParams';
import { TempoScreen } from '../../../features/tempo/TempoScreen';

export default function Route() {
  return <TempoScreen id={useParams<{ id: string }>().id} />;
}
