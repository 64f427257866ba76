import { fileSettings } from './files/settings';
import type { FileSettings } from './files/store';
import { type Quotas, USUAL_QUOTAS } from './station/quota';

/** What the server is told by its surroundings. */
export interface Config {
  port: number;
  host: string;
  databaseUrl: string;
  /** Where photos and archives lie. */
  files: FileSettings;
  sessionSecret: string;
  /** Folder of the exported web client; nothing is served from it when absent. */
  webRoot?: string;
  production: boolean;
  /** The address people use, such as `https://plesion.example.org`; cookies are for TLS only where it is https. */
  publicUrl?: string;
  /** Proxies in front that are believed: how many, or their addresses; see `docs/deploy.md`. */
  trustProxy?: number | string;
  /** The most that one station may have. */
  quotas: Quotas;
  /** Address of the ringing office that stations report to; there is none where absent. */
  officeUrl?: string;
  /** Where Prometheus may read; nothing is measured when absent. */
  metricsPort?: number;
}

/** Read the environment; throws one sentence that says which variable to set. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const required = (name: string): string => {
    const value = env[name];
    if (!value) throw new Error(`${name} is not set. Start Plesion with “npm start”, which sets it, or set it yourself.`);
    return value;
  };
  const port = portOf('PORT', env.PORT ?? '4180');
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    databaseUrl: required('DATABASE_URL'),
    files: fileSettings(env),
    sessionSecret: required('SESSION_SECRET'),
    webRoot: env.WEB_ROOT,
    production: env.NODE_ENV === 'production',
    metricsPort: env.METRICS_PORT === undefined ? undefined : portOf('METRICS_PORT', env.METRICS_PORT),
    quotas: quotasOf(env),
    publicUrl: addressIn('PUBLIC_URL', env.PUBLIC_URL),
    officeUrl: addressIn('OFFICE_URL', env.OFFICE_URL),
    trustProxy: env.TRUST_PROXY === undefined || !/^\d+$/.test(env.TRUST_PROXY) ? env.TRUST_PROXY : Number(env.TRUST_PROXY),
  };
}

/** How a quota is set, and how many of what it counts one of its units is. */
const QUOTA_VARIABLES: Record<keyof Quotas, [name: string, unit: number]> = {
  specimens: ['QUOTA_SPECIMENS', 1],
  guides: ['QUOTA_GUIDES', 1],
  keys: ['QUOTA_KEYS', 1],
  photos: ['QUOTA_PHOTOS_MB', 1024 * 1024],
};

function quotasOf(env: NodeJS.ProcessEnv): Quotas {
  const quotas = { ...USUAL_QUOTAS };
  for (const [kind, [name, unit]] of Object.entries(QUOTA_VARIABLES) as [keyof Quotas, [string, number]][]) {
    const given = env[name];
    if (given === undefined) continue;
    if (!/^\d{1,12}$/.test(given)) throw new Error(`${name} is “${given}”; it must be a whole number.`);
    quotas[kind] = Number(given) * unit;
  }
  return quotas;
}

function portOf(name: string, given: string): number {
  const port = Number(given);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`${name} is “${given}”; it must be a number from 0 to 65535.`);
  return port;
}

function addressIn(name: string, given: string | undefined): string | undefined {
  if (given === undefined || given === '') return undefined;
  if (!URL.canParse(given) || !/^https?:$/.test(new URL(given).protocol))
    throw new Error(`${name} is “${given}”; it must be an address such as https://plesion.example.org.`);
  return given;
}
