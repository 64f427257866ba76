import { useLocalSearchParams } from 'expo-router';
import { KeyPage } from '../../../features/keys/KeyPage';

export default function Route() {
  return <KeyPage id={useLocalSearchParams<{ id: string }>().id} />;
}
