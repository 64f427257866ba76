import { useParams } from '../../lib/useParams';
import { StandingScreen } from '../../features/practice/StandingScreen';

export default function Route() {
  return <StandingScreen id={useParams<{ id: string }>().id} />;
}
