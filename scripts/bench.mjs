import { needPackages } from './lib/packages.mjs';
import { child } from './lib/run.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  needPackages();
  const bench = child(process.execPath, ['--import', 'tsx', 'bench/index.ts']);
  process.exitCode = await new Promise((resolve) => bench.on('exit', (code) => resolve(code ?? 1)));
});
