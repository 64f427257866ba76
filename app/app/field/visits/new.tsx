import { BeginVisit } from '../../../features/field/BeginVisit';

export default function Route() {
  return <BeginVisit />;
}
