import { useLocalSearchParams } from 'expo-router';
import { NameScreen } from '../../../features/determination/NameScreen';

export default function Route() {
  const { id, written } = useLocalSearchParams<{ id: string; written?: string }>();
  return <NameScreen id={id} suggested={written} />;
}
