import { drawPage, type PageTask } from './draw';

/** Runs in a worker thread: a page is heavy work. */
export default (task: PageTask): Promise<Buffer> => drawPage(task);
