import { KeyGuideScreen } from '../../features/authoring/KeyGuideScreen';
import { useParams } from '../../lib/useParams';

export default function Route() {
  const { key = '' } = useParams<{ key?: string }>();
  return <KeyGuideScreen keyId={key} />;
}
