import { useLocalSearchParams } from 'expo-router';
import { MeasureScreen } from '../../../features/measure/MeasureScreen';

export default function Route() {
  return <MeasureScreen id={useLocalSearchParams<{ id: string }>().id} />;
}
