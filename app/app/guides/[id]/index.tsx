import { useLocalSearchParams } from 'expo-router';
import { GuidePage } from '../../../features/guides/GuidePage';

export default function Route() {
  return <GuidePage id={useLocalSearchParams<{ id: string }>().id} />;
}
