import fc from 'fast-check';
import { compileGuide } from '../guide';
import { tinyGuide } from '../test/tinyGuide';
import { togetherIn } from './together';

const STATES = ['p', 'q', 'r'];

/** A guide of taxa and characters with these states by taxon and character; where there is none, it is not scored. */
function guideWith(cells: readonly (readonly (number | null)[])[]) {
  const tiny = tinyGuide();
  const states = STATES.map((id) => ({ id, label: id }));
  return tinyGuide({
    taxa: cells.map((_, t) => ({ ...tiny.taxa[1], parent: undefined, id: `t${t}`, name: `Tessella t${t}` })),
    characters: cells[0].map((_, c) => ({ ...tiny.characters[0], id: `c${c}`, label: `C${c}`, states })),
    scores: cells.flatMap((row, t) =>
      row.flatMap((state, c) =>
        state === null
          ? []
          : [
              {
                character: `c${c}`,
                scope: { taxon: `t${t}` },
                source: 'book',
                value: { kind: 'states' as const, states: { [STATES[state]]: 1 } },
              },
            ],
      ),
    ),
  });
}

/** The same, as one would do it by hand: what goes with what is written down in full. */
function byHand(cells: readonly (readonly (number | null)[])[]) {
  return cells[0].flatMap((_, a) =>
    cells[0].flatMap((__, b) => {
      const both = cells.flatMap((row) => (b > a && row[a] !== null && row[b] !== null ? [[row[a], row[b]]] : []));
      const met = new Set(both.map(String));
      const oneToOne = [0, 1].every((side) => new Set(both.map((pair) => pair[side])).size === met.size);
      const twice = [...met].filter((pair) => both.filter((own) => String(own) === pair).length >= 2);
      return both.length >= 5 && oneToOne && twice.length >= 2 ? [{ a: `c${a}`, b: `c${b}`, taxa: both.length }] : [];
    }),
  );
}

it('finds what one finds by hand', () => {
  const cell = fc.oneof({ weight: 6, arbitrary: fc.constantFrom(0, 1) }, { weight: 1, arbitrary: fc.constantFrom(2, null) });
  let found = 0;
  fc.assert(
    fc.property(fc.array(fc.array(cell, { minLength: 5, maxLength: 5 }), { minLength: 5, maxLength: 8 }), (cells) => {
      const expected = byHand(cells);
      found += expected.length;
      expect(togetherIn(compileGuide(guideWith(cells)))).toEqual(expected);
    }),
    { numRuns: 300, seed: 7 },
  );
  expect(found).toBeGreaterThan(20);
});
