import { useLocalSearchParams } from 'expo-router';
import { NewSpecimen } from '../../features/specimen/NewSpecimen';

export default function Route() {
  return <NewSpecimen guideId={useLocalSearchParams<{ guide?: string }>().guide} />;
}
