import { OwnScreen } from '../../../features/own/OwnScreen';
import { useParams } from '../../../lib/useParams';

export default function Route() {
  return <OwnScreen id={useParams<{ id: string }>().id} />;
}
