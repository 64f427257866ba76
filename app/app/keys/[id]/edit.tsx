import { useParams } from '../../../lib/useParams';
import { EditKeyScreen } from '../../../features/keys/edit/EditKeyScreen';

export default function Route() {
  const { id, couplet } = useParams<{ id: string; couplet?: string }>();
  return <EditKeyScreen id={id} couplet={couplet} />;
}
