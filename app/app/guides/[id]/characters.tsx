import { useParams } from '../../../lib/useParams';
import { CharactersPage } from '../../../features/book/CharactersPage';

export default function Route() {
  return <CharactersPage id={useParams<{ id: string }>().id} />;
}
