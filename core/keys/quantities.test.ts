import fc from 'fast-check';
import { tinyKey } from '../test/keys';
import { tinyGuide } from '../test/tinyGuide';
import { hedgeOf, linkFor, onlyQuantity, quantitiesIn, unclearIn, walkKey, alone } from '.';

/** `low..high unit`, with `(` and `)` for bounds that are excluded. */
const said = (text: string) =>
  quantitiesIn(text).map(({ low, high, lowOpen, highOpen, unit, mostly }) =>
    [`${lowOpen ? '(' : ''}${low ?? ''}..${high ?? ''}${highOpen ? ')' : ''}`, unit, mostly && 'mostly']
      .filter(Boolean)
      .join(' '),
  );

describe('numbers with their negations and hedges', () => {
  it.each([
    ['stalk not longer than 5 mm', '..5 mm'],
    ['no longer than 5 mm', '..5 mm'],
    ['not above 3', '..3'],
    ['never more than 4', '..4'],
    ['not wider than 2 mm', '..2 mm'],
    ['is not much longer than 5 mm', '..5 mm'],
    ['isn’t longer than 5 mm', '..5 mm'],
    ['cannot be longer than 5 mm', '..5 mm'],
    ['neither longer than 5 mm', '..5 mm'],
    ['not fewer than 8', '8..'],
    ['not less than twice as long', '2..'],
    ['does not exceed 3 mm', '..3 mm'],
    ['not exceeding 3', '..3'],
    ['exceeds 7 mm', '(7.. mm'],
    ['3 mm at most', '..3 mm'],
    ['5 mm long at least', '5.. mm'],
    ['reaching 9 mm', '..9 mm'],
    ['scarcely longer than 5 mm', '..5 mm mostly'],
    ['seldom over 5 mm', '..5 mm mostly'],
    ['hardly ever above 5', '..5 mostly'],
    ['longer than 5 mm', '(5.. mm'],
    ['fewer than 12', '..12)'],
    ['up to 12 mm', '..12 mm'],
    ['5 mm or more', '5.. mm'],
    ['12 mm or less', '..12 mm'],
  ])('%s', (text, expected) => expect(said(text)).toEqual([expected]));

  it('with them 4 mm is one lead or the other, never neither', () => {
    const lead = (id: string, text: string) => ({
      id,
      statements: [{ n: id === 'a' ? 1 : 2, text }],
      to: { kind: 'taxon' as const, name: `Velda ${id}` },
    });
    const key = {
      ...tinyKey,
      couplets: [
        { id: 'c1', number: '1', leads: [lead('a', 'Stalk not longer than 5 mm'), lead('b', 'Stalk longer than 5 mm')] },
      ],
    };
    const statements = [1, 2].map((n) => ({ n, answer: 'fits' as const, value: 4, error: 0.1 }));
    const { here } = walkKey({ key, answers: [{ couplet: 'c1', statements }], specimens: alone([]) });
    expect(here!.map(({ findings }) => findings[0].answer)).toEqual(['fits', 'does-not']);
  });
});

describe('numbers as they are written', () => {
  it.each([
    ['1·5–2·0 mm', '1.5..2 mm'],
    ['less than 1,200', '..1200)'],
    ['1 200', '1200..1200'],
    ['0,125 mm', '0.125..0.125 mm'],
    ['3,5 mm', '3.5..3.5 mm'],
    ['(2.8)3.2–5(6.1) mm', '2.8..6.1 mm'],
    ['(28–)31–38(–41) mm', '28..41 mm'],
    ['8–12 mm (occasionally to 14)', '8..14 mm'],
    ['8–12 mm (rarely up to 14 mm) long', '8..14 mm'],
    ['8–12 mm (exceptionally from 7)', '7..12 mm'],
    ['3 (rarely 4) whorls', '3..4'],
    ['segments five (sometimes only four)', '4..5'],
    ['3½ times as long as wide', '3.5..3.5'],
    ['3 1/2 times', '3.5..3.5'],
    ['3.5 ± 0.2 mm', '3.3..3.7 mm'],
    ['3 mm–5 mm', '3..5 mm'],
    ['from 3 to 5 mm', '3..5 mm'],
    ['two or three teeth', '2..3'],
  ])('%s', (text, expected) => expect(said(text)).toEqual([expected]));

  it('ordinals, figures and pages count nothing; two measures by each other share their unit', () => {
    expect(said('2nd, 3rd and 4th segments, see figs 3 and 4, p. 12')).toEqual([]);
    expect(said('4–5 × 2 mm')).toEqual(['4..5 mm', '2..2 mm']);
  });

  it('print and read of any range agree', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 900 }), (low, more) => {
        expect(said(`${low / 10}–${(low + more) / 10} mm`)).toEqual([`${low / 10}..${(low + more) / 10} mm`]);
        expect(said(`not more than ${low} mm`)).toEqual([`..${low} mm`]);
      }),
    );
  });
});

describe('old measures', () => {
  it('inches and feet are lengths, not counts; what has feet is counted', () => {
    expect(said('Body 2 inches long')).toEqual(['2..2 in']);
    expect(said('Stem 3 feet high')).toEqual(['3..3 ft']);
    expect(said('with 3 feet')).toEqual(['3..3']);
  });
});

describe('what may be meant in more than one way', () => {
  it.each([
    '8+9 spines',
    'not 5-segmented',
    'never 5',
    'without 5 teeth',
    'from 5 mm',
    'seldom 15',
    'ground at 5 °C',
    'tail 3"',
    'down to -5 m',
  ])('%s is tied to nothing, and said', (text) => {
    expect(quantitiesIn(text)).toEqual([]);
    expect(unclearIn(text)).toHaveLength(1);
  });

  it('two answers are not one, and two bounds that close a range are', () => {
    expect(onlyQuantity('2 or 5 teeth')).toBeUndefined();
    expect(onlyQuantity('more than 5 mm but less than 9 mm')).toMatchObject({ low: 5, high: 9, lowOpen: true, highOpen: true });
  });
});

describe('ties to a character', () => {
  const [edge, length] = tinyGuide().characters;
  const shades = { ...edge, states: ['dark', 'dark brown', 'pale'].map((id) => ({ id: id.replace(' ', '-'), label: id })) };

  it('of states that are denied allow the others', () => {
    expect(linkFor(edge, 'Edge round')).toEqual({ character: 'edge', states: ['round'] });
    expect(linkFor(edge, 'Edge not round')).toEqual({ character: 'edge', states: ['toothed'] });
    expect(linkFor(edge, 'Edge never distinctly round')).toEqual({ character: 'edge', states: ['toothed'] });
    expect(linkFor(edge, 'Edge toothed, not round')).toEqual({ character: 'edge', states: ['toothed'] });
    expect(linkFor(edge, 'Edge round without a rim that is bent')).toBeUndefined();
  });

  const back = { ...edge, states: ['black', 'brown', 'dark brown'].map((id) => ({ id: id.replace(' ', '-'), label: id })) };
  it.each([
    ['not black or brown', ['dark-brown']],
    ['neither black nor dark brown', ['brown']],
    ['not black but brown', ['brown']],
    ["isn't black", ['brown', 'dark-brown']],
    ["doesn't look black", ['brown', 'dark-brown']],
    ['cannot be called black', ['brown', 'dark-brown']],
    ['of any colour other than black', ['brown', 'dark-brown']],
    ['brown rather than black', ['brown']],
    ['anything but black', ['brown', 'dark-brown']],
    ['without a trace of any black', ['brown', 'dark-brown']],
    ['black, not brown, never dark brown', ['black']],
    ['black or dark brown', ['black', 'dark-brown']],
    ['dark-brown', ['dark-brown']],
    ['not always black', ['black']],
    ["isn't usually black", ['black']],
    ['almost never black', ['black']],
    ['hardly ever black or brown', ['black', 'brown']],
  ])('of what denies: back %s', (text, states) => {
    expect(linkFor(back, `Back ${text}`)).toEqual({ character: 'edge', states });
  });

  it.each([
    'hardly black',
    'brown, scarcely black',
    'not only black but brown too',
    'not entirely black',
    'not black, brown',
    'black in no case',
    'black not',
    'all but black',
    'nowhere black',
    'black and never black',
    'neither black nor brown nor dark brown',
    'blackish',
  ])('are not made of what is not clear: back %s', (text) => {
    expect(linkFor(back, `Back ${text}`)).toBeUndefined();
  });

  it('take the longest name of a state, not one within it', () => {
    expect(linkFor(shades, 'Colour dark brown')).toEqual({ character: 'edge', states: ['dark-brown'] });
  });

  it('of numbers follow the words', () => {
    expect(linkFor(length, 'Length not longer than 11 mm')).toEqual({ character: 'length', high: 11 });
    expect(linkFor(length, 'Length 8+9 mm')).toBeUndefined();
  });
});

describe('how often a statement holds', () => {
  it.each([
    ['usually bare', 'usually'],
    ['not always bare', 'often'],
    ['not infrequently bare', 'often'],
    ['not usually bare', 'sometimes'],
    ['seldom over 5 mm', 'usually'],
    ['never more than 5 mm', undefined],
    ['segments four (rarely five)', undefined],
    ['rarely bare', 'rarely'],
    ['hardly ever bare', 'rarely'],
    ['almost never bare', 'rarely'],
    ['nearly always bare', 'usually'],
    ["isn't always bare", 'often'],
    ['invariably bare', 'always'],
    ['bare in some specimens', 'sometimes'],
    ['hairs in few rows', undefined],
    // A hedge behind what is said is not about all of it.
    ['Line pale, seldom broken', undefined],
    ['Legs grey, rarely reddish', 'usually'],
    ['Legs grey or more rarely reddish', 'usually'],
    ['Legs white rarely pink', 'usually'],
    ['Legs white, sometimes pink', 'often'],
    ['Spur present, sometimes absent', 'often'],
    ['Shell black, never with red spots', undefined],
    ['Shell black, rarely without spots', undefined],
    ['Shell with spots, rarely without', 'usually'],
    ['Shell black, usually hairy', 'usually'],
    ['Shell, in some specimens, red', 'sometimes'],
    ['Wings, in the male, never spotted', 'never'],
    ['Shell 4–6 mm, black, rarely red', 'usually'],
  ])('%s', (text, expected) => expect(hedgeOf(text)).toBe(expected));
});
