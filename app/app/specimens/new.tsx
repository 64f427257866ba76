import { useParams } from '../../lib/useParams';
import { NewSpecimen } from '../../features/specimen/NewSpecimen';

export default function Route() {
  return <NewSpecimen guideId={useParams<{ guide?: string }>().guide} />;
}
