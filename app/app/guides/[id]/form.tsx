import { useParams } from '../../../lib/useParams';
import { FormPage } from '../../../features/book/FormPage';

export default function Route() {
  const { id, form } = useParams<{ id: string; form: string }>();
  return <FormPage id={id} formId={form} />;
}
