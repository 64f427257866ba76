import { useParams } from '../../lib/useParams';
import { MakeKeyScreen } from '../../features/keys/MakeKeyScreen';

export default function Route() {
  return <MakeKeyScreen guideId={useParams<{ guide: string }>().guide} />;
}
