import { openPromise, type ZipFile } from 'yauzl';
import { Refused } from '../archive/refused';

interface Most {
  /** Bytes that may come out of it: a small archive can hold very much. */
  bytes: number;
  files: number;
  /** What is said of one that holds more. */
  said: string;
}

/** Every file of a zip archive by its name; what a packing program adds of its own is left out. @throws {Refused} */
export async function filesOf(path: string, most: Most): Promise<Map<string, Buffer>> {
  const files = new Map<string, Buffer>();
  const tooMuch = () => new Refused('too-large', most.said, 'file');
  let zip: ZipFile | undefined;
  let bytes = 0;
  try {
    zip = await openPromise(path, { autoClose: false, strictFileNames: true });
    if (zip.entryCount > most.files) throw tooMuch();
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/') || entry.fileName.startsWith('__MACOSX/')) continue;
      bytes += entry.uncompressedSize;
      if (bytes > most.bytes) throw tooMuch();
      const chunks: Buffer[] = [];
      for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
      files.set(entry.fileName, Buffer.concat(chunks));
    }
    return files;
  } catch (error) {
    throw error instanceof Refused ? error : damaged();
  } finally {
    zip?.close();
  }
}

const damaged = () =>
  new Refused('bad-zip', 'The archive is damaged, or was cut short. Fetch it once more, and send it as it is.', 'file');
