import { useParams } from '../../../lib/useParams';
import { SituationScreen } from '../../../features/specimen/SituationScreen';

export default function Route() {
  return <SituationScreen id={useParams<{ id: string }>().id} />;
}
