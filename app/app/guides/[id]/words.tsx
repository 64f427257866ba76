import { useParams } from '../../../lib/useParams';
import { WordsPage } from '../../../features/book/WordsPage';

export default function Route() {
  const { id, term } = useParams<{ id: string; term?: string }>();
  return <WordsPage id={id} term={term} />;
}
