import type { FileSettings } from './store';

const BUCKET = { endpoint: 'S3_ENDPOINT', bucket: 'S3_BUCKET', keyId: 'S3_KEY_ID', secret: 'S3_SECRET' } as const;

/** Beside the rest of the data, as `npm start` keeps them in the clone. */
const USUAL = '.plesion/files';

/**
 * Where the surroundings say that files lie: in the bucket of an S3-compatible
 * service where one is named, else in a folder.
 *
 * @throws one sentence that says which variable to set.
 */
export function fileSettings(env: NodeJS.ProcessEnv): FileSettings {
  const given = Object.values(BUCKET).filter((name) => env[name]);
  if (given.length === 0) return { folder: env.FILES_FOLDER ?? USUAL };
  const missing = Object.values(BUCKET).find((name) => !env[name]);
  if (missing)
    throw new Error(`${given[0]} is set, but ${missing} is not. Set all of ${Object.values(BUCKET).join(', ')}, or none.`);
  if (!URL.canParse(env.S3_ENDPOINT!))
    throw new Error(`S3_ENDPOINT is “${env.S3_ENDPOINT}”; it must be an address such as https://files.example.org.`);
  return {
    endpoint: env.S3_ENDPOINT!,
    bucket: env.S3_BUCKET!,
    keyId: env.S3_KEY_ID!,
    secret: env.S3_SECRET!,
    region: env.S3_REGION ?? 'us-east-1',
  };
}
