import { useParams } from '../../../lib/useParams';
import { PracticeScreen } from '../../../features/practice/PracticeScreen';

export default function Route() {
  return <PracticeScreen id={useParams<{ id: string }>().id} />;
}
