import {
  DeleteObjectCommand,
  GetObjectCommand,
  NoSuchKey,
  PutObjectCommand,
  S3Client,
  type GetObjectCommandOutput,
} from '@aws-sdk/client-s3';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import type { FileStore } from './store';

export interface Settings {
  bucket: string;
  /** The address of the service. */
  endpoint: string;
  region: string;
  keyId: string;
  secret: string;
}

/** Files in a bucket of an S3-compatible service. */
export function openBucket({ bucket, endpoint, region, keyId, secret }: Settings): FileStore {
  const client = new S3Client({
    endpoint,
    region,
    credentials: { accessKeyId: keyId, secretAccessKey: secret },
    // The bucket is part of the path, which every service of this kind understands, by whatever name it is reached.
    forcePathStyle: true,
    // Checks that came later than the interface are left away where a service does not ask for them.
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });
  const find = (key: string): Promise<GetObjectCommandOutput | undefined> =>
    client.send(new GetObjectCommand({ Bucket: bucket, Key: key })).catch((error: unknown) => {
      if (error instanceof NoSuchKey) return undefined;
      throw error;
    });
  return {
    async put(key, bytes) {
      await client.send(new PutObjectCommand({ Bucket: bucket, Key: key, Body: bytes }));
    },
    async get(key) {
      const bytes = await (await find(key))?.Body?.transformToByteArray();
      return bytes && Buffer.from(bytes);
    },
    async putFrom(key, path) {
      const { size } = await stat(path);
      await client.send(new PutObjectCommand({ Bucket: bucket, Key: key, Body: createReadStream(path), ContentLength: size }));
    },
    async open(key) {
      const found = await find(key);
      return found?.Body && { stream: found.Body as Readable, bytes: found.ContentLength ?? 0 };
    },
    async remove(key) {
      await client.send(new DeleteObjectCommand({ Bucket: bucket, Key: key }));
    },
  };
}
