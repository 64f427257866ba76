import { useParams } from '../../lib/useParams';
import { JoinScreen } from '../../features/people/JoinScreen';

export default function Route() {
  return <JoinScreen token={useParams<{ token: string }>().token} />;
}
