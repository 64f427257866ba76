import { useLocalSearchParams } from 'expo-router';
import { TaxaPage } from '../../../features/book/TaxaPage';

export default function Route() {
  return <TaxaPage id={useLocalSearchParams<{ id: string }>().id} />;
}
