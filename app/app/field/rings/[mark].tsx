import { useParams } from '../../../lib/useParams';
import { RingPage } from '../../../features/field/RingPage';

export default function Route() {
  return <RingPage mark={useParams<{ mark: string }>().mark} />;
}
