import { useParams } from '../../../../lib/useParams';
import { ResultsScreen } from '../../../../features/sets/ResultsScreen';

export default function Route() {
  return <ResultsScreen id={useParams<{ id: string }>().id} />;
}
