import { useParams } from '../../../lib/useParams';
import { BenchScreen } from '../../../features/bench/BenchScreen';

export default function Route() {
  const { id, visit } = useParams<{ id: string; visit?: string }>();
  return <BenchScreen id={id} visit={visit} />;
}
