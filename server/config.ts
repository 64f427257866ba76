/** What the server is told by its surroundings. */
export interface Config {
  port: number;
  host: string;
  databaseUrl: string;
  sessionSecret: string;
  /** Folder of the exported web client; nothing is served from it when absent. */
  webRoot?: string;
  production: boolean;
}

/** Read the environment; throws one sentence that says which variable to set. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const required = (name: string): string => {
    const value = env[name];
    if (!value) throw new Error(`${name} is not set. Start Plesion with “npm start”, which sets it, or set it yourself.`);
    return value;
  };
  const port = Number(env.PORT ?? 4180);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is “${env.PORT}”; it must be a number from 0 to 65535.`);
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    databaseUrl: required('DATABASE_URL'),
    sessionSecret: required('SESSION_SECRET'),
    webRoot: env.WEB_ROOT,
    production: env.NODE_ENV === 'production',
  };
}
