import type { JobTask } from '../jobs/pool';

/** Stands for a weigher, or for long work, with a loop that never ends, and with one that does. */
export default function weigh(task: { hash: string } | JobTask<{ hash: string }>): unknown {
  if ('port' in task) task.port.postMessage(0);
  const { hash } = 'request' in task ? task.request : task;
  while (hash === 'forever') continue;
  return { known: true, answer: 'weighed' };
}
