import { NewMember } from '../../../features/colony/NewMember';
import { useParams } from '../../../lib/useParams';

export default function Route() {
  return <NewMember guideId={useParams<{ guide: string }>().guide} />;
}
