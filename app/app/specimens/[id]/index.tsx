import { useLocalSearchParams } from 'expo-router';
import { SpecimenPage } from '../../../features/specimen/SpecimenPage';

export default function Route() {
  return <SpecimenPage id={useLocalSearchParams<{ id: string }>().id} />;
}
