import type { Item } from '@plesion/core/practice';
import { type ItemsTask, makeItems } from './make';

/** Runs in a worker thread: a guide is compiled, and individuals are weighed. */
export default (task: ItemsTask): (Item | undefined)[] => makeItems(task);
