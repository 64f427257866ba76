import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

/** Each file that can be packed lies beside its packed forms, so that no request waits for that. */
const dist = 'dist';
const PACKED = /\.(js|html|css|json|webmanifest|svg)$/;

for (const name of readdirSync(dist, { recursive: true })) {
  if (!PACKED.test(name)) continue;
  const content = readFileSync(join(dist, name));
  const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
  writeFileSync(join(dist, `${name}.br`), brotliCompressSync(content, { params }));
  writeFileSync(join(dist, `${name}.gz`), gzipSync(content, { level: 9 }));
}
