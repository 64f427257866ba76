import { useLocalSearchParams } from 'expo-router';
import { CoverPage } from '../../../features/book/CoverPage';

export default function Route() {
  return <CoverPage id={useLocalSearchParams<{ id: string }>().id} />;
}
