import { MemberPage } from '../../../features/colony/MemberPage';
import { useParams } from '../../../lib/useParams';

export default function Route() {
  const { id } = useParams<{ id: string }>();
  return <MemberPage key={id} id={id} />;
}
