import { useLocalSearchParams } from 'expo-router';
import { StandingScreen } from '../../features/practice/StandingScreen';

export default function Route() {
  return <StandingScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
