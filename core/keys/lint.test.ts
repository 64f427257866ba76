import { plainGuide, randomKey } from '../test/keys';
import { depthOf, endingsBelow, endpointsOf, lintKey, readKeyText, wayTo, withTaxa } from '.';

const key = (text: string) => readKeyText(text, 'T').key!;
const codes = (text: string) => lintKey(key(text)).map(({ code, couplet }) => `${code} ${couplet ?? ''}`.trim());
const END = '1b Wings dark; head round ... Aus bus';

describe('lint', () => {
  it('finds nothing wrong with a sound key', () => {
    expect(
      lintKey(
        key(
          `1a Wings clear; head square ... 2\n${END}\n2a Legs long, 6 mm or more ... Aus cus\n2b Legs short, less than 6 mm ... Aus dus`,
        ),
      ),
    ).toEqual([]);
  });

  it.each([
    ['unreachable c3', `1a Wings clear; head square ... Aus cus\n${END}\n3a Legs long ... Aus dus\n3b Legs short ... Aus eus`],
    ['dangling c1', `1a Wings clear; head square ... 9\n${END}`],
    ['cyclic c2', `1a Wings clear; head square ... 2\n${END}\n2a Legs long ... 1\n2b Legs short ... Aus eus`],
    ['cyclic c1', `1a Wings clear; head square ... 1\n${END}`],
    ['one-lead c2', `1a Wings clear; head square ... 2\n${END}\n2a Legs long ... Aus cus`],
    ['open-end c1', `1a Wings clear; head square\n${END}`],
    ['no-contrast c1', `1a Antennae feathered ... Aus cus\n1b Wings clear ... Aus bus`],
    ['not-parallel c1', `1a Wings clear; antennae feathered ... Aus cus\n1b Wings dark ... Aus bus`],
    ['ranges-overlap c1', `1a Body 3–6 mm long ... Aus cus\n1b Body 5–9 mm long ... Aus bus`],
    ['range-gap c1', `1a Body 3–5 mm long ... Aus cus\n1b Body 6–9 mm long ... Aus bus`],
    ['range-gap c1', `1a Teeth fewer than 5 ... Aus cus\n1b Teeth more than 6 ... Aus bus`],
    ['colour-only c1', `1a Wings black ... Aus cus\n1b Wings red ... Aus bus`],
  ])('finds %s', (code, text) => expect(codes(text)).toContain(code));

  it('counts may meet without a gap', () => {
    expect(codes('1a Teeth fewer than 5 ... Aus cus\n1b Teeth 5 or more ... Aus bus')).toEqual([]);
    expect(codes('1a Teeth at most 5 ... Aus cus\n1b Teeth 5 or more ... Aus bus')).toContain('ranges-overlap c1');
  });

  it('names the taxa of the guide that the key leaves out, and those it has beyond it', () => {
    const guide = plainGuide(1, 3, 2, 2);
    const tied = withTaxa(key('1a Wings clear ... Tessella t0\n1b Wings dark ... Tessella t9'), guide);
    const problems = lintKey(tied, guide).map(({ code, message }) => [code, message]);
    expect(problems).toEqual([
      ['taxa-missing', '2 of the guide’s taxa are not in the key: Tessella t1, Tessella t2.'],
      ['unknown-taxon', '“Tessella t9” is not a taxon of the guide.'],
    ]);
  });

  it('remarks on a key that is far deeper than it need be', () => {
    const comb = Array.from(
      { length: 40 },
      (_, i) =>
        `${i + 1}a Wings clear${i} ... ${i < 39 ? i + 2 : 'Aus omega'}\n${i + 1}b Wings dark${i} ... Aus b${'abcdefghij'[i % 10]}${'abcdefghij'[Math.floor(i / 10)]}`,
    ).join('\n');
    expect(codes(comb)).toContain('deep');
  });
});

describe('the graph of a key', () => {
  const joined = key(
    `1a Wings clear; head square ... 2\n1b Wings dark; head round ... 3\n2a Legs long ... Aus bus\n2b Legs short ... 3\n3a Eyes red ... Aus cus\n3b Eyes blue ... Aus dus`,
  );

  it('knows how deep it goes, what ends below, and the endings', () => {
    expect(depthOf(joined)).toBe(3);
    expect(endingsBelow(joined).get('c1')).toBe(5);
    expect(endpointsOf(joined).map((to) => (to.kind === 'taxon' ? to.name : ''))).toEqual(['Aus bus', 'Aus cus', 'Aus dus']);
  });

  it('finds the couplets that X must pass', () => {
    expect(wayTo(joined, 'Aus dus').map(({ couplet, lead }) => couplet.number + lead.id)).toEqual(['1b', '3b']);
    expect(wayTo(joined, 'Aus bus').map(({ couplet, lead }) => couplet.number + lead.id)).toEqual(['1a', '2a']);
    expect(wayTo(joined, 'nobody')).toEqual([]);
  });

  it('of thousands of couplets in a chain is walked without overflowing', () => {
    const long = randomKey(3, 3000);
    expect(lintKey(long).filter(({ code }) => code === 'unreachable' || code === 'dangling' || code === 'cyclic')).toEqual([]);
  });
});
