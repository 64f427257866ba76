import { Redirect, useLocalSearchParams } from 'expo-router';
import { CatchScreen } from '../../features/field/CatchScreen';

export default function Route() {
  const { visit } = useLocalSearchParams<{ visit?: string }>();
  return visit ? <CatchScreen visitId={visit} /> : <Redirect href="/field" />;
}
