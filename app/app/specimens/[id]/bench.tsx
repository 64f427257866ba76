import { useLocalSearchParams } from 'expo-router';
import { BenchScreen } from '../../../features/bench/BenchScreen';

export default function Route() {
  return <BenchScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
