import { useParams } from '../../../lib/useParams';
import { WallScreen } from '../../../features/book/WallScreen';

export default function Route() {
  return <WallScreen id={useParams<{ id: string }>().id} />;
}
