import { useParams } from '../../../../lib/useParams';
import { SetScreen } from '../../../../features/sets/SetScreen';

export default function Route() {
  return <SetScreen id={useParams<{ id: string }>().id} />;
}
