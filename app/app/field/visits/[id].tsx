import { useLocalSearchParams } from 'expo-router';
import { VisitPage } from '../../../features/field/VisitPage';

export default function Route() {
  return <VisitPage id={useLocalSearchParams<{ id: string }>().id} />;
}
