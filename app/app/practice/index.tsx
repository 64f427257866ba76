import { PracticePlace } from '../../features/practice/PracticePlace';

export default function Route() {
  return <PracticePlace />;
}
