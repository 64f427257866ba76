import { createWeigher } from '@plesion/core/evidence';

/** Runs in a worker thread; keeps its compiled guides between requests. */
export default createWeigher();
