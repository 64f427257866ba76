import { Redirect } from 'expo-router';
import { useParams } from '../../lib/useParams';
import { CatchScreen } from '../../features/field/CatchScreen';

export default function Route() {
  const { visit } = useParams<{ visit?: string }>();
  return visit ? <CatchScreen visitId={visit} /> : <Redirect href="/field" />;
}
