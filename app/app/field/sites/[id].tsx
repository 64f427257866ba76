import { useParams } from '../../../lib/useParams';
import { SitePage } from '../../../features/field/SitePage';

export default function Route() {
  return <SitePage id={useParams<{ id: string }>().id} />;
}
