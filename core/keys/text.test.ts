import fc from 'fast-check';
import { randomKey } from '../test/keys';
import type { Key } from './schema';
import {
  hedgeOf,
  mendText,
  printStatements,
  quantitiesIn,
  readKey,
  readKeyText,
  splitStatements,
  withTaxa,
  writeKeyText,
} from '.';
import { readSdd, writeSdd } from './sdd';
import { tentCones } from '../../demo/tentCones';

/** Couplets as `1a: statement & statement → where`. */
const told = (key: Key | undefined) =>
  key?.couplets.flatMap(({ number, leads }) =>
    leads.map(({ id, statements, to }) => {
      const words = statements.map(({ text, join }) => (join ? `${join} ${text}` : text)).join(' & ');
      const where =
        to.kind === 'couplet' ? to.couplet.slice(1) : to.kind === 'taxon' ? to.name : to.kind === 'key' ? `[${to.title}]` : '?';
      return `${number}${id}: ${words} → ${where}`;
    }),
  );
const read = (text: string) => readKeyText(text, 'T');

describe('a key in print', () => {
  const expected = [
    '1a: Feet with five segments & black → 2',
    '1b: Feet with four → Lithonyx aridus',
    '2a: Rows deep → Lithonyx brevis',
    '2b: Rows shallow → [Strandia]',
  ];
  it.each([
    [
      '1a/1b',
      '1a Feet with five segments; black ...... 2\n1b Feet with four ...... Lithonyx aridus\n2a Rows deep ..... Lithonyx brevis\n2b Rows shallow ..... see key to Strandia',
    ],
    [
      '1/–, back-references',
      '1 Feet with five segments; black … 2\n– Feet with four … Lithonyx aridus\n\n2(1) Rows deep … Lithonyx brevis\n– Rows shallow … see key to Strandia',
    ],
    [
      "1/1'",
      "1 Feet with five segments; black ... 2\n1' Feet with four ... Lithonyx aridus\n2 (1) Rows deep ... Lithonyx brevis\n2' Rows shallow ... see key to Strandia",
    ],
    [
      '1./*',
      '1. Feet with five segments; black      2\n*  Feet with four      Lithonyx aridus\n2. Rows deep      Lithonyx brevis\n*  Rows shallow (see key to Strandia)',
    ],
    [
      '1./1.',
      '1. Feet with five segments; black. . . . 2\n1. Feet with four. . . . Lithonyx aridus\n2. Rows deep. . . . Lithonyx brevis\n2. Rows shallow. . . . see the key to Strandia.',
    ],
    [
      'bare numbers at the end',
      '1a. Feet with five segments; black. 2\n1b. Feet with four: Lithonyx aridus\n2a. Rows deep — Lithonyx brevis\n2b. Rows shallow → see key to Strandia',
    ],
    [
      'names on lines of their own, wrapped lines',
      '1a Feet with five\n   segments; black ........\n   2\n1b Feet with four\n   Lithonyx aridus\n2a Rows deep\n   Lithonyx brevis\n2b Rows shallow; see key to Strandia',
    ],
    [
      'back-references behind the stop, dashes in brackets',
      '(1) Feet with five segments; black … 2\n(–) Feet with four … Lithonyx aridus\n2. (1) Rows deep … Lithonyx brevis\n–  Rows shallow … see key to Strandia',
    ],
    [
      'letters',
      'A. Feet with five segments; black ... B\nAA. Feet with four ... Lithonyx aridus\nB. Rows deep ... Lithonyx brevis\nBB. Rows shallow ... see key to Strandia',
    ],
    [
      'indented',
      '1. Feet with five segments; black\n   2. Rows deep ..... Lithonyx brevis\n   2. Rows shallow ..... see key to Strandia\n1. Feet with four ..... Lithonyx aridus',
    ],
    [
      'indented with dashes',
      '1 Feet with five segments; black\n   2 Rows deep ..... Lithonyx brevis\n   – Rows shallow ..... see key to Strandia\n– Feet with four ..... Lithonyx aridus',
    ],
  ])('in the style %s', (_, text) => {
    const { key, problems } = read(text);
    expect(problems).toEqual([]);
    expect(told(key)).toEqual(expected);
  });

  it('keeps authors, figures and more than two leads', () => {
    const { key } = read(
      '1a Head round (fig. 3) ... Lithonyx aridus (Korvald, 1881) (figs 4–6)\n1b Head square; 3–4 mm ... L. brevis Mereth\n1c Head long. Lithonyx comatus Hallin, 1902',
    );
    expect(told(key)).toEqual([
      '1a: Head round (fig. 3) (figs 4–6) → Lithonyx aridus (Korvald, 1881)',
      '1b: Head square & 3–4 mm → L. brevis Mereth',
      '1c: Head long → Lithonyx comatus Hallin, 1902',
    ]);
  });

  it('keeps names given before whole, however they are parted in their brackets', () => {
    const { key, problems } = readKeyText(
      '1a Eyes long; crest red ... Talitra rubra [syn. S. aspera Dallow; S. tuberosa]\n1b Eyes round ... Talitra alba (= T. cana; = T. nivea)',
      'Names',
    );
    expect(problems).toEqual([]);
    expect(key!.couplets[0].leads.map(({ to }) => to)).toEqual([
      { kind: 'taxon', name: 'Talitra rubra [syn. S. aspera Dallow; S. tuberosa]' },
      { kind: 'taxon', name: 'Talitra alba (= T. cana; = T. nivea)' },
    ]);
  });

  it('takes two dots for a leader as well', () => {
    const { key, problems } = readKeyText(
      '1. Medulla C+ red; on wood .. Murica lignea\n   Medulla C–; on stone .. 2\n2. Lobes 2..3 mm .. Murica saxi\n   Lobes wide.. Murica lata',
      'Dots',
    );
    expect(problems).toEqual([]);
    expect(key!.couplets.map(({ leads }) => leads.map(({ to }) => (to.kind === 'taxon' ? to.name : to.kind)))).toEqual([
      ['Murica lignea', 'couplet'],
      ['Murica saxi', 'Murica lata'],
    ]);
  });

  it('does not take several couplets for a name', () => {
    const { key, problems } = readKeyText('1a Eyes long ... 2 or 3\n1b Eyes round ... Murica lata', 'Several');
    expect(key!.couplets[0].leads[0].to).toEqual({ kind: 'open' });
    expect(problems.map(({ code, line }) => [code, line])).toEqual([['no-destination', 1]]);
  });

  it('offers what stands above it as what it is called', () => {
    const leads = '1a Eyes long ... Talitra rubra\n1b Eyes round ... Talitra alba';
    const headed = readKeyText(`\n**Key to the  crickets of Quell.**\nAfter Dallow.\n\n${leads}`, 'Crickets');
    expect(headed.heading).toEqual({ line: 2, text: 'Key to the crickets of Quell' });
    expect(headed.problems.map(({ line, code }) => [line, code])).toEqual([
      [2, 'not-of-the-key'],
      [3, 'not-of-the-key'],
    ]);
    expect(headed.key!.title).toBe('Crickets');
    expect(readKeyText(leads, 'Crickets').heading).toBeUndefined();
    expect(readKeyText(`${'Of all the crickets '.repeat(20)}\n${leads}`, 'Crickets').heading).toBeUndefined();
  });

  it('tells a year from a couplet, and keeps brackets whole', () => {
    const { key } = read('1a Head round Lithonyx aridus Korvald, 1881\n1b Head square ... see key to Lithonyx (Strandia)');
    expect(told(key)).toEqual(['1a: Head round → Lithonyx aridus Korvald, 1881', '1b: Head square → [Lithonyx (Strandia)]']);
  });

  it('does not take a wrapped line that begins with a number for a couplet', () => {
    const { key } = read(
      '1a Body long, up to\n12 mm, more than\n2 times as long as wide ... Lithonyx aridus\n1b Body short ... 2\n2a Foo ... Lithonyx a\n2b Bar ... Lithonyx b',
    );
    expect(told(key)?.[0]).toBe('1a: Body long, up to 12 mm, more than 2 times as long as wide → Lithonyx aridus');
    expect(key?.couplets).toHaveLength(2);
  });

  it.each([
    ['no-couplets', 1, 'only words\nand more'],
    ['number-twice', 3, '1a Foo ... 2\n1b Bar ... Aus bus\n1a Baz ... Aus cus\n1b Qux ... Aus dus'],
    ['no-destination', 2, '1a Foo ... Aus bus\n1b Bar'],
    ['dangling', 1, '1a Foo ... 7\n1b Bar ... Aus bus'],
    ['back-reference', 3, '1a Foo ... 2\n1b Bar ... Aus bus\n2(4) Baz ... Aus cus\n– Qux ... Aus dus'],
    ['not-of-the-key', 1, 'A heading\n\n1a Foo ... Aus cus\n1b Bar ... Aus bus'],
    ['empty-lead', 1, '1a ... Aus cus\n1b Bar ... Aus bus'],
  ])('says %s by line', (code, line, text) => {
    expect(read(text).problems).toContainEqual(expect.objectContaining({ code, line }));
  });

  it('is refused whole when a number stands twice, and the mend offered puts it right', () => {
    const text = '1a Foo ... 2\n1b Bar ... 3\n2a Baz ... Aus bus\n2b Qux ... Aus cus\n2a Quux ... Aus dus\n2b Corge ... Aus eus';
    const { key, problems } = read(text);
    expect(key).toBeUndefined();
    const mended = mendText(text, problems[0].mend!);
    expect(read(mended)).toMatchObject({ problems: [] });
    expect(told(read(mended).key)?.slice(-2)).toEqual(['3a: Quux → Aus dus', '3b: Corge → Aus eus']);
  });

  it('mends a lead that leads nowhere, and one that leads to no couplet', () => {
    for (const text of [
      '1a Foo\n1b Bar ... Aus bus\n2a Baz ... Aus cus\n2b Qux ... Aus dus',
      '1a Foo ... 9\n1b Bar ... Aus bus\n2a Baz ... Aus cus\n2b Qux ... Aus dus',
    ]) {
      const { problems } = read(text);
      expect(read(mendText(text, problems[0].mend!)).problems).toEqual([]);
    }
  });

  it('of millions of characters is refused by its length, not read in part', () => {
    const { key, problems } = read('x'.repeat(4_000_001));
    expect(key).toBeUndefined();
    expect(problems[0]).toMatchObject({ code: 'too-long' });
  });

  it.each([
    [
      'a statement that runs on for pages',
      `1a ${'word '.repeat(300)}... Aus bus\n1b Bar ... Aus cus`,
      /^Couplet 1 cannot be imported/,
    ],
    [
      'more couplets than a key has',
      Array.from({ length: 5001 }, (_, i) => `${i + 1}a Foo ... ${i + 2}\n${i + 1}b Bar ... Aus bus`).join('\n'),
      /^The text cannot be imported/,
    ],
  ])('of %s is refused whole', (_, text, message) => {
    const { key, problems } = read(text);
    expect(key).toBeUndefined();
    expect(problems).toContainEqual(expect.objectContaining({ code: 'not-a-key', message: expect.stringMatching(message) }));
  });

  it('names taxa of a guide with author, shortened or by a former name', () => {
    const { key } = read(
      '1a Foo ... Turbiconus vexillax Hallin, 1862\n1b Bar ... T. lenior\n1c Baz ... Turbiconus textor\n1d Qux ... Turbiconus annulax litoralis\n1e Quux ... Turbiconus nullus',
    );
    const taxa = withTaxa(key!, tentCones).couplets[0].leads.map(({ to }) => (to.kind === 'taxon' ? to.taxon : ''));
    expect(taxa).toEqual(['vexillax', 'lenior', 'vexillax', 'annulax-litoralis', undefined]);
  });
});

describe('statements', () => {
  it('are parted by semicolons and stops, and joined by or, except and unless', () => {
    expect(
      splitStatements('Feet black, or with red rings; head round, except in females. Rows deep (fig. 3), usually hairy.'),
    ).toEqual([
      { text: 'Feet black' },
      { text: 'with red rings', join: 'or' },
      { text: 'head round' },
      { text: 'in females', join: 'except' },
      { text: 'Rows deep (fig. 3), usually hairy' },
    ]);
  });

  it('are not parted within brackets that are closed, and are read, kept and printed so', () => {
    expect(splitStatements('Feet red (fig. 3; pl. 2, or pl. 5. Seldom dull); head (round; tail long')).toEqual([
      { text: 'Feet red (fig. 3; pl. 2, or pl. 5. Seldom dull)' },
      { text: 'head (round' },
      { text: 'tail long' },
    ]);
    const { key } = readKeyText('1. Feet red (fig. 3; (pl. 2; 4)) ... Velda alba\n- Feet black ... Velda nigra', 'Brackets');
    const [lead] = key!.couplets[0].leads;
    expect(lead.statements.map(({ text }) => text)).toEqual(['Feet red (fig. 3; (pl. 2; 4))']);
    expect(splitStatements(printStatements(lead.statements))).toEqual([{ text: 'Feet red (fig. 3; (pl. 2; 4))' }]);
    expect(
      readKey({
        ...key,
        couplets: key!.couplets.map((couplet) => ({
          ...couplet,
          leads: couplet.leads.map((one) => ({ ...one, statements: [{ n: 1, text: 'Feet red; head round' }] })),
        })),
      }),
    ).toMatchObject({ ok: false });
  });

  it.each([
    ['Wings usually dark', 'usually'],
    ['Wings sometimes dark', 'sometimes'],
    ['Wings seldom dark', 'rarely'],
    ['Wings dark', undefined],
  ])('“%s” holds %s', (text, expected) => expect(hedgeOf(text)).toBe(expected));

  it.each([
    ['3.2–5 mm', { low: 3.2, high: 5, unit: 'mm', kind: 'measure' }],
    ['more than twice as long as wide', { low: 2, lowOpen: true, kind: 'proportion' }],
    ['ca. 12', { low: 10.8, high: 13.2, about: true, kind: 'count' }],
    ['at most 1/3', { high: 0.333333333333, kind: 'proportion' }],
    ['6 mm or more', { low: 6, unit: 'mm', kind: 'measure' }],
    ['fewer than 12 hairs', { high: 12, highOpen: true, kind: 'count' }],
    ['(3–)4–5(–6) cm', { low: 3, high: 6, unit: 'cm', kind: 'measure' }],
    ['between 3 and 5 mm', { low: 3, high: 5, unit: 'mm', kind: 'measure' }],
    ['1.5 times as long as wide', { low: 1.5, high: 1.5, kind: 'proportion' }],
    ['with five segments', { low: 5, high: 5, kind: 'count' }],
    ['an angle of 30–40°', { low: 30, high: 40, unit: '°', kind: 'measure' }],
    ['about half as long', { low: 0.45, high: 0.55, about: true, kind: 'proportion' }],
  ])('hold numbers: %s', (text, expected) => {
    const found = quantitiesIn(text);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject(expected);
    expect(text.slice(found[0].from, found[0].to)).toBe(found[0].text);
  });

  it('do not count figures that are cited', () => {
    expect(quantitiesIn('as in figs 3 and 4, see pl. 2')).toEqual([]);
  });
});

describe('what is written can be read back', () => {
  const keys = fc.tuple(fc.integer(), fc.integer({ min: 1, max: 25 }));
  /** Couplets by number, so that the order they are printed in does not matter. */
  const graph = (key: Key | undefined) => told(key)?.sort();

  it('bracketed', () => {
    fc.assert(
      fc.property(keys, ([seed, couplets]) => {
        const key = randomKey(seed, couplets);
        const back = read(writeKeyText(key, 'bracketed'));
        expect(back.problems).toEqual([]);
        expect(told(back.key)).toEqual(told(key));
      }),
      { numRuns: 60 },
    );
  });

  it('indented, what is reached twice printed twice and read as one', () => {
    fc.assert(
      fc.property(keys, ([seed, couplets]) => {
        const key = randomKey(seed, couplets);
        const back = read(writeKeyText(key, 'indented'));
        expect(back.problems).toEqual([]);
        expect(graph(back.key)).toEqual(graph(key));
      }),
      { numRuns: 60 },
    );
  });

  it('writes a part that is reached twice once, and refers to it', () => {
    const twice = read('1a Foo ... 2\n1b Bar ... 2\n2a Baz ... Aus bus\n2b Qux ... Aus cus').key!;
    const text = writeKeyText(twice, 'indented');
    expect(text.split('Aus bus')).toHaveLength(2);
    expect(text).toMatch(/^1b\. Bar \.{3,} 2$/m);
    expect(read(text).key!.couplets).toEqual(twice.couplets);
  });

  it('is no longer than the key, however its ways join again', () => {
    const joined = (many: number) => {
      const couplets = Array.from({ length: many }, (_, i) =>
        ['a', 'b']
          .map((lead) => `${i + 1}${lead} Part ${lead} of ${i + 1} ... ${i + 1 < many ? i + 2 : `Aus ${lead}us`}`)
          .join('\n'),
      );
      return read(couplets.join('\n\n')).key!;
    };
    const lines = (many: number) => writeKeyText(joined(many), 'indented').trimEnd().split('\n');
    expect(lines(60)).toHaveLength(120);
    const deep = lines(2000);
    expect(deep).toHaveLength(4000);
    // A deep key is not all spaces.
    expect(Math.max(...deep.map((line) => /^ */.exec(line)![0].length))).toBe(120);
  });

  it('reads what earlier versions wrote where they repeated a part', () => {
    const key = read(
      '1a. Foo\n  2a. Baz ... Aus bus\n  2b. Qux ... Aus cus\n1b. Bar [couplet 2 is printed above and repeated here]\n  2a. Baz ... Aus bus\n  2b. Qux ... Aus cus',
    ).key!;
    expect(key.couplets.map(({ leads }) => leads.map(({ to }) => (to.kind === 'couplet' ? to.couplet : to.kind)))).toEqual([
      ['c2', 'c2'],
      ['taxon', 'taxon'],
    ]);
  });

  it('as SDD and as JSON, links and all', () => {
    fc.assert(
      fc.property(keys, ([seed, couplets]) => {
        const drawn = randomKey(seed, couplets);
        const key: Key = {
          ...drawn,
          guide: 'g',
          source: 'A & B <1901>',
          scope: { taxon: 't', regions: ['r'] },
          couplets: drawn.couplets.map((couplet, i) => ({
            ...couplet,
            ...(i % 2 ? { note: 'look "twice"' } : { prepare: 'wet it' }),
            leads: couplet.leads.map((lead) => ({
              ...lead,
              statements: lead.statements.map((statement) => ({ ...statement, link: { character: 'c', low: 1.5 } })),
            })),
          })),
        };
        expect(readSdd(writeSdd(key))).toEqual({ ok: true, value: key });
        expect(readKey(JSON.parse(JSON.stringify(key)))).toEqual({ ok: true, value: key });
      }),
      { numRuns: 40 },
    );
  });

  it('a key in SDD by another hand, a tree of leads', () => {
    const outcome = readSdd(`<?xml version="1.0"?><Datasets xmlns="http://rs.tdwg.org/UBIF/2006/"><Dataset><TaxonNames>
      <TaxonName id="t1"><Representation><Label>Aus bus</Label></Representation></TaxonName><TaxonName id="t2"><Representation><Label>Aus cus</Label></Representation></TaxonName></TaxonNames>
      <IdentificationKeys><IdentificationKey id="k"><Representation><Label>Aus</Label></Representation><Leads>
      <Lead id="l1"><Statement>Wings clear; legs red</Statement></Lead>
      <Lead id="l2"><Statement>Wings dark</Statement><TaxonName ref="t1"/></Lead>
      <Lead id="l3"><Parent ref="l1"/><Statement>Head round</Statement><TaxonName ref="t2"/></Lead>
      <Lead id="l4"><Parent ref="l1"/><Statement>Head square</Statement><Subkey ref="other"/></Lead>
      </Leads></IdentificationKey></IdentificationKeys></Dataset></Datasets>`);
    expect(outcome.ok && told(outcome.value)).toEqual([
      '1a: Wings clear & legs red → 2',
      '1b: Wings dark → Aus bus',
      '2a: Head round → Aus cus',
      '2b: Head square → [other]',
    ]);
  });

  it.each([
    ['<Datasets><Dataset>', 'xml-broken'],
    ['<Datasets/>', 'no-key'],
    ['<!DOCTYPE x [<!ENTITY e "x">]><Datasets/>', 'xml-doctype'],
  ])('%s is refused as %s', (xml, code) => {
    expect(readSdd(xml)).toMatchObject({ ok: false, problems: [{ code, field: 'sdd' }] });
  });
});
