import { useParams } from '../../lib/useParams';
import { LinkedScreen } from '../../features/opinions/LinkedScreen';

export default function Route() {
  return <LinkedScreen token={useParams<{ token: string }>().token} />;
}
