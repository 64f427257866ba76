import { useParams } from '../../../lib/useParams';
import { CompareScreen } from '../../../features/compare/CompareScreen';

export default function Route() {
  const { id, forms, specimen } = useParams<{ id: string; forms?: string; specimen?: string }>();
  return <CompareScreen id={id} formIds={forms ? forms.split(',') : []} specimenId={specimen} />;
}
