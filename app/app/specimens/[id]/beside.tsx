import { useLocalSearchParams } from 'expo-router';
import { BesideScreen } from '../../../features/beside/BesideScreen';

export default function Route() {
  return <BesideScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
