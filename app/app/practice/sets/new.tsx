import { useParams } from '../../../lib/useParams';
import { MakeSetScreen } from '../../../features/sets/MakeSetScreen';

export default function Route() {
  const { from, guide } = useParams<{ from?: string; guide?: string }>();
  return <MakeSetScreen key={from ?? 'new'} from={from} guide={guide} />;
}
