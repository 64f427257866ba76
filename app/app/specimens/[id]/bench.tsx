import { useLocalSearchParams } from 'expo-router';
import { BenchScreen } from '../../../features/bench/BenchScreen';

export default function Route() {
  const { id, visit } = useLocalSearchParams<{ id: string; visit?: string }>();
  return <BenchScreen id={id} visit={visit} />;
}
