import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openTestBucket } from '../test/bucket';
import { fileSettings } from './settings';
import { bring, openFiles, type FileStore } from './store';

const BYTES = Buffer.from([0, 255, 10, 13, 0, 128]);
let folder: string;
let bucket: Awaited<ReturnType<typeof openTestBucket>>;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'plesion-files-'));
  bucket = await openTestBucket();
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await bucket.close();
});

describe.each(['a folder', 'a bucket'])('files in %s', (kind) => {
  let files: FileStore;
  const local = (name: string) => join(folder, name);
  beforeAll(async () => {
    files = await openFiles(kind === 'a folder' ? { folder: join(folder, 'kept') } : bucket.settings);
  });

  it('are given back byte for byte, replaced, and removed', async () => {
    expect(await files.get('s/photos/ab/ab.whole')).toBeUndefined();
    await files.put('s/photos/ab/ab.whole', BYTES);
    expect(await files.get('s/photos/ab/ab.whole')).toEqual(BYTES);
    await files.put('s/photos/ab/ab.whole', Buffer.from('another'));
    expect((await files.get('s/photos/ab/ab.whole'))!.toString()).toBe('another');
    await files.put('s/empty', Buffer.alloc(0));
    expect(await files.get('s/empty')).toHaveLength(0);
    for (const key of ['s/photos/ab/ab.whole', 's/never there']) await files.remove(key);
    expect(await files.get('s/photos/ab/ab.whole')).toBeUndefined();
  });

  it('come from a file of the machine, and go to one', async () => {
    writeFileSync(local('from'), Buffer.alloc(3_000_000, BYTES));
    await files.putFrom('s/archives/a', local('from'));
    expect(await bring(files, 's/archives/a', local('to'))).toBe(true);
    expect((await files.open('s/archives/a'))?.bytes).toBe(3_000_000);
    expect(readFileSync(local('to')).equals(readFileSync(local('from')))).toBe(true);
    expect(await bring(files, 's/archives/none', local('none'))).toBe(false);
  });

  it('put at once under one key are one of them, whole', async () => {
    const all = Array.from({ length: 8 }, (_, i) => Buffer.alloc(200_000, i + 1));
    await Promise.all(all.map((bytes) => files.put('s/race', bytes)));
    const kept = (await files.get('s/race'))!;
    expect(all.some((bytes) => bytes.equals(kept))).toBe(true);
  });
});

describe('files in a folder', () => {
  it('leave nothing half written behind, and are for their owner alone', async () => {
    const files = await openFiles({ folder: join(folder, 'own') });
    await expect(files.putFrom('s/x', join(folder, 'not there'))).rejects.toThrow(/ENOENT/);
    await files.put('s/x', BYTES);
    expect(readdirSync(join(folder, 'own/s'))).toEqual(['x']);
    expect(statSync(join(folder, 'own/s/x')).mode & 0o077).toBe(0);
    expect(statSync(join(folder, 'own/s')).mode & 0o077).toBe(0);
  });
});

describe('files in a bucket', () => {
  it('that does not let one in fail; that is not the same as not being there', async () => {
    const files = await openFiles(bucket.settings);
    bucket.state.away = true;
    try {
      await expect(files.get('s/empty')).rejects.toThrow(/AccessDenied/);
      await expect(files.put('s/empty', BYTES)).rejects.toThrow(/AccessDenied/);
    } finally {
      bucket.state.away = false;
    }
    await expect((await openFiles({ ...bucket.settings, keyId: 'somebody' })).get('s/empty')).rejects.toThrow(
      /InvalidAccessKeyId/,
    );
  });
});

describe('where files lie', () => {
  const all = { S3_ENDPOINT: 'https://files.example.org', S3_BUCKET: 'isles', S3_KEY_ID: 'k', S3_SECRET: 's' };
  it('is a folder, or a bucket that is named whole', () => {
    expect(fileSettings({})).toEqual({ folder: '.plesion/files' });
    expect(fileSettings({ FILES_FOLDER: '/srv/files' })).toEqual({ folder: '/srv/files' });
    expect(fileSettings({ FILES_FOLDER: '/srv/files', ...all })).toEqual({
      endpoint: 'https://files.example.org',
      bucket: 'isles',
      keyId: 'k',
      secret: 's',
      region: 'us-east-1',
    });
  });
  it('is told otherwise with the variable to set', () => {
    expect(() => fileSettings({ ...all, S3_SECRET: '' })).toThrow(/S3_ENDPOINT is set, but S3_SECRET is not/);
    expect(() => fileSettings({ ...all, S3_ENDPOINT: 'files' })).toThrow(/S3_ENDPOINT is “files”; it must be an address/);
  });
});
