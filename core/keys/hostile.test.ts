import * as fc from 'fast-check';
import { readKeyText, splitStatements, unclearIn } from '.';
import { readSdd } from './sdd';

/**
 * Characters that expressions look at while something is done: a count of steps that
 * is the same on every machine.
 */
function looked(work: () => unknown): number {
  const own = Object.getOwnPropertyDescriptor(RegExp.prototype, 'exec')!;
  const exec = RegExp.prototype.exec;
  let count = 0;
  Object.defineProperty(RegExp.prototype, 'exec', {
    ...own,
    value(this: RegExp, text: string) {
      const from = this.global || this.sticky ? this.lastIndex : 0;
      const match = exec.call(this, text);
      count += 1 + (match ? match.index + match[0].length - from : this.sticky ? 1 : text.length - from);
      return match;
    },
  });
  try {
    work();
  } finally {
    Object.defineProperty(RegExp.prototype, 'exec', own);
  }
  return count;
}

/** What has been slow, and what is like it. */
const PIECES = [
  ' ',
  '\t',
  '\n',
  '.',
  '. ',
  '…',
  '-',
  '– ',
  '1 ',
  '12 345 ',
  '1,234,',
  '1a ',
  '1a Foo ... 2\n',
  '1a Foo ... Aus bus\n1b Bar ... 2\n',
  '1 Foo\n',
  '- Foo ... Aus bus\n',
  'Wings dark ... Aus bus\n',
  'Wings dark\n',
  'A. Foo\n',
  'II. Foo\n',
  '(1) ',
  'key to ',
  'see key to Aus ',
  'fig. 1 ',
  'Aus (Bus) ',
  'Aus bus Cus, ',
  '; ',
  ',',
  ', or ',
  'not ',
  'e.g. ',
  '*',
  '[1',
  'İ',
  '\u2003',
];

describe('a text of any kind', () => {
  const steps = (text: string) => looked(() => readKeyText(text, 'T'));
  /** Some of them in a row, over and over, behind a beginning that makes a key of it. */
  const hostile = fc.record({
    begin: fc.constantFrom('', '1a ', '1a Foo ... 2\n1b Bar ... Aus bus\n2a ', '1. Foo\n  2. Bar ... '),
    pieces: fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 4 }),
    end: fc.constantFrom('', '9', 'Aus bus', '\n1b Bar ... Aus bus', ';', 'x'),
  });

  it('takes twice the steps at most when it is twice as long', () => {
    fc.assert(
      fc.property(hostile, ({ begin, pieces, end }) => {
        const piece = pieces.join('');
        const count = Math.ceil(5_000 / piece.length);
        const [one, two, three] = [1, 2, 3].map((times) => steps(begin + piece.repeat(count * times) + end));
        // Each further stretch takes no more than the one before it, but for what is done once.
        expect(three - two).toBeLessThanOrEqual(1.1 * (two - one) + 40_000);
      }),
      { numRuns: 80, seed: 12 },
    );
  });

  it.each(PIECES)('of nothing but “%s” is looked at a bounded number of times', (piece) => {
    const text = piece.repeat(Math.ceil(40_000 / piece.length));
    expect(steps(text)).toBeLessThan(1_500 * text.length);
    expect(looked(() => splitStatements(text))).toBeLessThan(60 * text.length);
    expect(looked(() => unclearIn(text))).toBeLessThan(3_000 * text.length);
  });
});

describe('an SDD document of any size', () => {
  const lead = (i: number, parent: number) =>
    `<Lead id="l${i}">${parent < 0 ? '' : `<Parent ref="l${parent}"/>`}<Statement>x</Statement></Lead>`;
  const document = (leads: string) =>
    `<Datasets><Dataset><IdentificationKeys><IdentificationKey id="k"><Leads>${leads}</Leads></IdentificationKey></IdentificationKeys></Dataset></Datasets>`;

  it('with 20,000 leads in one couplet, or each below the last, is refused with a sentence', () => {
    const flat = document(Array.from({ length: 20_000 }, (_, i) => lead(i, -1)).join(''));
    const deep = document(Array.from({ length: 20_000 }, (_, i) => lead(i, i - 1)).join(''));
    expect(readSdd(flat)).toMatchObject({ ok: false, problems: [{ code: 'key-shape', field: expect.stringMatching(/leads/) }] });
    expect(readSdd(deep)).toMatchObject({
      ok: false,
      problems: [{ code: 'too-many-couplets', message: expect.stringMatching(/at most 5000/), field: 'sdd' }],
    });
  });

  it('that goes down without end is refused with a sentence', () => {
    const deep = `${'<a>'.repeat(5000)}${'</a>'.repeat(5000)}`;
    expect(readSdd(deep)).toMatchObject({ ok: false, problems: [{ field: 'sdd', message: expect.stringMatching(/\w{3}.*\./) }] });
  });
});
