import { useParams } from '../../../lib/useParams';
import { CharacterPage } from '../../../features/book/CharacterPage';

export default function Route() {
  const { id, character } = useParams<{ id: string; character: string }>();
  return <CharacterPage id={id} characterId={character} />;
}
