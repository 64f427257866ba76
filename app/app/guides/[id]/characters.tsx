import { useLocalSearchParams } from 'expo-router';
import { CharactersPage } from '../../../features/book/CharactersPage';

export default function Route() {
  return <CharactersPage id={useLocalSearchParams<{ id: string }>().id} />;
}
