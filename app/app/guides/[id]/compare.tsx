import { useLocalSearchParams } from 'expo-router';
import { CompareScreen } from '../../../features/compare/CompareScreen';

export default function Route() {
  const { id, forms, specimen } = useLocalSearchParams<{ id: string; forms?: string; specimen?: string }>();
  return <CompareScreen id={id} formIds={forms ? forms.split(',') : []} specimenId={specimen} />;
}
