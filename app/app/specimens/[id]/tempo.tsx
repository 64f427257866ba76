import { useLocalSearchParams } from 'expo-router';
import { TempoScreen } from '../../../features/tempo/TempoScreen';

export default function Route() {
  return <TempoScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
