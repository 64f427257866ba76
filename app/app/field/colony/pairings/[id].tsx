import { PairingPage } from '../../../../features/colony/PairingPage';
import { useParams } from '../../../../lib/useParams';

export default function Route() {
  return <PairingPage key={useParams<{ id: string }>().id} />;
}
