import { useLocalSearchParams } from 'expo-router';
import { CapturePage } from '../../../features/field/CapturePage';

export default function Route() {
  return <CapturePage id={useLocalSearchParams<{ id: string }>().id} />;
}
