import { useLocalSearchParams } from 'expo-router';
import { WalkScreen } from '../../../features/walk/WalkScreen';

export default function Route() {
  const { id, specimen, lot, start } = useLocalSearchParams<{ id: string; specimen?: string; lot?: string; start?: string }>();
  return <WalkScreen keyId={id} specimenId={specimen} lotId={lot} start={start} />;
}
