import { useParams } from '../../../lib/useParams';
import { MeasureScreen } from '../../../features/measure/MeasureScreen';

export default function Route() {
  return <MeasureScreen id={useParams<{ id: string }>().id} />;
}
