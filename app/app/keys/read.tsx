import { useLocalSearchParams } from 'expo-router';
import { ReadKeyScreen } from '../../features/keys/ReadKeyScreen';

export default function Route() {
  return <ReadKeyScreen guideId={useLocalSearchParams<{ guide?: string }>().guide} />;
}
