import { weigh } from '@plesion/core/analysis';

/** Runs in a worker thread; keeps its compiled guides between requests. */
export default weigh;
