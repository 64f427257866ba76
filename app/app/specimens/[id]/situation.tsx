import { useLocalSearchParams } from 'expo-router';
import { SituationScreen } from '../../../features/specimen/SituationScreen';

export default function Route() {
  return <SituationScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
