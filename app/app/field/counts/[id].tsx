import { useLocalSearchParams } from 'expo-router';
import { CountPage } from '../../../features/field/CountPage';

export default function Route() {
  return <CountPage id={useLocalSearchParams<{ id: string }>().id} />;
}
