import { type ShotTask, type Taken, takePicture } from './take';

/** Runs in a worker thread: a photograph is heavy work. */
export default (task: ShotTask): Promise<Taken> => takePicture(task);
