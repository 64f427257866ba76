import { useParams } from '../../../lib/useParams';
import { WalkScreen } from '../../../features/walk/WalkScreen';

export default function Route() {
  const { id, specimen, lot, start } = useParams<{ id: string; specimen?: string; lot?: string; start?: string }>();
  return <WalkScreen keyId={id} specimenId={specimen} lotId={lot} start={start} />;
}
