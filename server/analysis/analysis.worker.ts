import { reply } from '@plesion/core/analysis';

/** Runs in a worker thread; keeps its compiled guides between requests. */
export default reply;
