import { useLocalSearchParams } from 'expo-router';
import { WordsPage } from '../../../features/book/WordsPage';

export default function Route() {
  const { id, term } = useLocalSearchParams<{ id: string; term?: string }>();
  return <WordsPage id={id} term={term} />;
}
