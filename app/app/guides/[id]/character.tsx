import { useLocalSearchParams } from 'expo-router';
import { CharacterPage } from '../../../features/book/CharacterPage';

export default function Route() {
  const { id, character } = useLocalSearchParams<{ id: string; character: string }>();
  return <CharacterPage id={id} characterId={character} />;
}
