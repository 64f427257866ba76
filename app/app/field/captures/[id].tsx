import { useParams } from '../../../lib/useParams';
import { CapturePage } from '../../../features/field/CapturePage';

export default function Route() {
  return <CapturePage id={useParams<{ id: string }>().id} />;
}
