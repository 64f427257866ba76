import { type ShotTask, takePicture } from './take';

/** Runs in a worker thread: a photograph is heavy work. */
export default (task: ShotTask): Promise<Uint8Array> => takePicture(task);
