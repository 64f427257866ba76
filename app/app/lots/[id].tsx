import { useLocalSearchParams } from 'expo-router';
import { LotPage } from '../../features/lots/LotPage';

export default function Route() {
  return <LotPage id={useLocalSearchParams<{ id: string }>().id} />;
}
