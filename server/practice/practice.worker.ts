import { type ItemsTask, type Made, makeItems } from './make';

/** Runs in a worker thread: a guide is compiled, and individuals are weighed. */
export default (task: ItemsTask): (Made | undefined)[] => makeItems(task);
