import { useParams } from '../../lib/useParams';
import { ReadKeyScreen } from '../../features/keys/ReadKeyScreen';

export default function Route() {
  return <ReadKeyScreen guideId={useParams<{ guide?: string }>().guide} />;
}
