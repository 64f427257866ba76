import { remember } from '@plesion/core/practice';
import { makeItems } from './make';
import type { PracticeTask } from './pool';

/** Runs in a worker thread: a guide is compiled and individuals are weighed, or years of answers are gone through. */
export default (task: PracticeTask): unknown =>
  'items' in task ? makeItems(task.items) : [...remember(new Map(), task.seen).values()];
