import { useLocalSearchParams } from 'expo-router';
import { NameScreen } from '../../../features/determination/NameScreen';

export default function Route() {
  return <NameScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
