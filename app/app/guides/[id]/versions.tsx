import { VersionsScreen } from '../../../features/authoring/VersionsScreen';
import { useParams } from '../../../lib/useParams';

export default function Route() {
  return <VersionsScreen id={useParams<{ id: string }>().id} />;
}
