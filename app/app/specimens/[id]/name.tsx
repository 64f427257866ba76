import { useParams } from '../../../lib/useParams';
import { NameScreen } from '../../../features/determination/NameScreen';

export default function Route() {
  const { id, written } = useParams<{ id: string; written?: string }>();
  return <NameScreen id={id} suggested={written} />;
}
