import { refusing } from '../jobs/refusing';
import { read } from './read';

export type { ImportRead, ReadRequest } from './read';

/** Reads a file in a worker thread, tells how far it is, and leaves the records in a folder. */
export default refusing(read);
