import { WritingScreen } from '../../../features/authoring/WritingScreen';
import { useParams } from '../../../lib/useParams';

export default function Route() {
  return <WritingScreen id={useParams<{ id: string }>().id} />;
}
