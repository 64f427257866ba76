import { useLocalSearchParams } from 'expo-router';
import { EditKeyScreen } from '../../../features/keys/edit/EditKeyScreen';

export default function Route() {
  const { id, couplet } = useLocalSearchParams<{ id: string; couplet?: string }>();
  return <EditKeyScreen id={id} couplet={couplet} />;
}
