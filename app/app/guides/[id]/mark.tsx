import { useLocalSearchParams } from 'expo-router';
import { MarkPage } from '../../../features/book/MarkPage';

export default function Route() {
  const { id, mark } = useLocalSearchParams<{ id: string; mark: string }>();
  return <MarkPage id={id} markId={mark} />;
}
