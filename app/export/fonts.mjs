import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

/**
 * The letters: only the scripts a name or a note is written in, packed, shown as soon as
 * they come (what is there before is read in the device's own). One file holds all
 * weights of the text; each family of the theme asks it for one.
 */
const dist = 'dist';
const { resolve } = createRequire(import.meta.url);

const TEXT = '@fontsource-variable/schibsted-grotesk/files/schibsted-grotesk-{part}-wght-normal.woff2';
const FACES = [
  { family: 'Schibsted-400', file: TEXT, weight: 400 },
  { family: 'Schibsted-500', file: TEXT, weight: 500 },
  { family: 'Schibsted-600', file: TEXT, weight: 600 },
  { family: 'Schibsted-700', file: TEXT, weight: 700 },
  { family: 'Spectral-italic', file: '@fontsource/spectral/files/spectral-{part}-500-italic.woff2', weight: 500 },
  { family: 'Spectral-regular', file: '@fontsource/spectral/files/spectral-{part}-500-normal.woff2', weight: 500 },
];
/** The second part is fetched only where a word needs it. */
const PARTS = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF',
};

mkdirSync(join(dist, 'assets/fonts'), { recursive: true });

/** Put a file where the page finds it, named by what is in it. */
function placed(name) {
  const content = readFileSync(resolve(name));
  const hash = createHash('md5').update(content).digest('hex').slice(0, 12);
  const path = `assets/fonts/${name.split('/').at(-1).replace('.woff2', '')}-${hash}.woff2`;
  writeFileSync(join(dist, path), content);
  return `/${path}`;
}

const faces = FACES.flatMap(({ family, file, weight }) =>
  Object.entries(PARTS).map(
    ([part, range]) =>
      `@font-face{font-family:'${family}';font-weight:${weight};font-display:swap;` +
      `src:url(${placed(file.replace('{part}', part))}) format('woff2');unicode-range:${range}}`,
  ),
);
const first = placed(TEXT.replace('{part}', 'latin'));
const page = readFileSync(join(dist, 'index.html'), 'utf8').replace(
  '</head>',
  `<style>${faces.join('')}</style><link rel="preload" as="font" type="font/woff2" crossorigin href="${first}"></head>`,
);
writeFileSync(join(dist, 'index.html'), page);
