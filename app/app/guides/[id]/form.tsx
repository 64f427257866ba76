import { useLocalSearchParams } from 'expo-router';
import { FormPage } from '../../../features/book/FormPage';

export default function Route() {
  const { id, form } = useLocalSearchParams<{ id: string; form: string }>();
  return <FormPage id={id} formId={form} />;
}
