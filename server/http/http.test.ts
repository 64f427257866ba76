import { z } from 'zod';
import { USUAL_QUOTAS } from '../station/quota';
import { readConfig } from '../config';
import { badRequest, badShape, HttpProblem, notFound, signedOut } from './errors';

const env = (given: Record<string, string>): NodeJS.ProcessEnv => ({ NODE_ENV: 'test', ...given });
const good = { DATABASE_URL: 'postgresql://somewhere', SESSION_SECRET: 'secret' };

describe('what the server is told', () => {
  it('has defaults for all but the database and the secret', () => {
    expect(readConfig(env(good))).toEqual({
      port: 4180,
      host: '127.0.0.1',
      databaseUrl: 'postgresql://somewhere',
      files: { folder: '.plesion/files' },
      quotas: USUAL_QUOTAS,
      sessionSecret: 'secret',
      webRoot: undefined,
      production: false,
      publicUrl: undefined,
      trustProxy: undefined,
      metricsPort: undefined,
    });
  });

  it.each([
    [{ SESSION_SECRET: 'x' }, /DATABASE_URL is not set/],
    [{ DATABASE_URL: 'x' }, /SESSION_SECRET is not set/],
    [{ ...good, QUOTA_SPECIMENS: 'many' }, /QUOTA_SPECIMENS is “many”; it must be a whole number/],
    [{ ...good, S3_BUCKET: 'isles' }, /S3_BUCKET is set, but S3_ENDPOINT is not/],
    [{ ...good, PORT: 'eighty' }, /PORT is “eighty”/],
    [{ ...good, PORT: '70000' }, /PORT is “70000”/],
    [{ ...good, PUBLIC_URL: 'plesion.example.org' }, /PUBLIC_URL is “plesion.example.org”/],
  ])('says which variable is wrong in %j', (given, message) => {
    expect(() => readConfig(env(given))).toThrow(message);
  });
});

describe('problems', () => {
  it('carry their status', () => {
    expect(notFound('guide')).toMatchObject({
      status: 404,
      body: { code: 'not-found', message: 'There is no such guide in this station.' },
    });
    expect(signedOut().status).toBe(401);
  });

  it('several come headed by the first', () => {
    const one = { code: 'a', message: 'A.', field: 'x' };
    const two = { code: 'b', message: 'B.', field: 'y' };
    expect(badRequest([one]).body).toEqual(one);
    expect(badRequest([one, two]).body).toEqual({ ...one, problems: [one, two] });
    expect(badRequest([one])).toBeInstanceOf(HttpProblem);
  });

  it('of shape name the path, or the key that should not be there', () => {
    const schema = z.strictObject({ readings: z.array(z.strictObject({ value: z.number() })) });
    const field = (value: unknown) => badShape(schema.safeParse(value).error!, 'body').body.field;
    expect(field({ readings: [{ value: 1 }, { value: 'x' }] })).toBe('readings[1].value');
    expect(field({ readings: [{ value: 1, mood: 'good' }] })).toBe('readings[0].mood');
    expect(field(4)).toBe('body');
  });
});
