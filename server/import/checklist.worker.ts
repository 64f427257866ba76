import { refusing } from '../jobs/refusing';
import { openChecklist } from './open';

/** Reads a checklist in a worker thread. */
export default refusing(({ path }: { path: string }) => openChecklist(path));
