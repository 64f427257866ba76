import { serverFile } from './lib/server.mjs';

/** Says where the server lies as one file, for whoever starts it by hand. */
process.stdout.write(serverFile('server/main.ts'));
