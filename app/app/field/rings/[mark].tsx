import { useLocalSearchParams } from 'expo-router';
import { RingPage } from '../../../features/field/RingPage';

export default function Route() {
  return <RingPage mark={useLocalSearchParams<{ mark: string }>().mark} />;
}
