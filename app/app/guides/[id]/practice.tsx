import { useLocalSearchParams } from 'expo-router';
import { PracticeScreen } from '../../../features/practice/PracticeScreen';

export default function Route() {
  return <PracticeScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
