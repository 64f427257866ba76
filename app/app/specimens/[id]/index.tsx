import { useParams } from '../../../lib/useParams';
import { SpecimenPage } from '../../../features/specimen/SpecimenPage';

export default function Route() {
  return <SpecimenPage id={useParams<{ id: string }>().id} />;
}
