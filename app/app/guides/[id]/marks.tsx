import { useLocalSearchParams } from 'expo-router';
import { MarksPage } from '../../../features/book/MarksPage';

export default function Route() {
  return <MarksPage id={useLocalSearchParams<{ id: string }>().id} />;
}
