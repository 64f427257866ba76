import { useParams } from '../../../lib/useParams';
import { VisitPage } from '../../../features/field/VisitPage';

export default function Route() {
  return <VisitPage id={useParams<{ id: string }>().id} />;
}
