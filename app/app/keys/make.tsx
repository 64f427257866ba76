import { useLocalSearchParams } from 'expo-router';
import { MakeKeyScreen } from '../../features/keys/MakeKeyScreen';

export default function Route() {
  return <MakeKeyScreen guideId={useLocalSearchParams<{ guide: string }>().guide} />;
}
