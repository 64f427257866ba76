import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Matrix, matrixOf, writeNexus } from '@plesion/core/authoring';
import { demoGuides } from '@plesion/demo';

const awkward: Matrix = {
  taxa: ["Velda o'hara", 'Velda_alba', '1st; of [all]'],
  characters: [
    { label: 'Head = shape', states: ['round', "not 'round'", 'square [old]', 'a/b'] },
    { label: 'Legs', states: ['red', 'black'] },
    { label: 'Body', unit: 'mm' },
  ],
  cells: [
    ['round', 'red; black', '5–7'],
    ['square [old]', '-', '12 ±1.5'],
    ['either round or a/b', 'black rarely; red usually', '?'],
  ],
};

function validate(text: string): void {
  const folder = mkdtempSync(join(tmpdir(), 'nexus-'));
  try {
    writeFileSync(join(folder, 'm.nex'), text);
    execFileSync('NEXUSvalidator', [join(folder, 'm.nex')], { stdio: 'pipe' });
  } finally {
    rmSync(folder, { recursive: true });
  }
}

it('what is written is NEXUS to the validator, of every demo guide and of awkward names', () => {
  for (const matrix of [awkward, ...demoGuides.map((guide) => matrixOf(guide, guide.sources[0].id))])
    expect(() => validate(writeNexus(matrix).text)).not.toThrow();
});

it('what is none is none to it', () => {
  expect(() => validate(writeNexus(awkward).text.replace('NCHAR=2', 'NCHAR=3'))).toThrow();
});
