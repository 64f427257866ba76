import { useLocalSearchParams } from 'expo-router';
import { WallScreen } from '../../../features/book/WallScreen';

export default function Route() {
  return <WallScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
