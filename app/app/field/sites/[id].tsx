import { useLocalSearchParams } from 'expo-router';
import { SitePage } from '../../../features/field/SitePage';

export default function Route() {
  return <SitePage id={useLocalSearchParams<{ id: string }>().id} />;
}
