import { ledgeCrabs } from '../../demo/ledgeCrabs';
import type { Reading } from '../observation';
import { standingOf } from '../evidence';
import { compileGuide } from '../guide';
import { nameText, sayFacets, shortName } from '../guide/working';
import type { Determination } from './schema';
import { nameParts } from './naming';
import { overrules, recommendedName, summarise } from '.';

describe('names as they are typeset', () => {
  it.each([
    [{ qualifier: 'none', taxon: 'cinerata' }, '*Petralda cinerata*'],
    [{ qualifier: 'cf.', taxon: 'murica' }, '*Petralda* cf. *murica*'],
    [{ qualifier: 'aff.', taxon: 'velloma-ostrena' }, '*Petralda velloma* aff. *ostrena*'],
    [{ qualifier: 'sp.', taxon: 'petralda' }, '*Petralda* sp.'],
    [{ qualifier: 'or', taxon: 'cinerata', other: 'murica' }, '*Petralda cinerata* or *P. murica*'],
    [{ qualifier: 'unknown' }, 'Unknown'],
    [{ qualifier: 'outside' }, 'Not in this guide'],
    [{ qualifier: 'none', taxon: 'gone' }, 'Not yet named'],
  ] as const)('%j', (name, typeset) => {
    const parts = nameParts(ledgeCrabs, name);
    expect(parts.map(({ text, italic }) => (italic ? `*${text}*` : text)).join('')).toBe(typeset);
    expect(nameText(parts)).toBe(typeset.replaceAll('*', ''));
  });

  it('shorten the genus', () => {
    expect(shortName('Petralda murica')).toBe('P. murica');
    expect(shortName('Petralda')).toBe('Petralda');
    expect(['rain cone', 'Form A', 'B · F'].map(shortName)).toEqual(['rain cone', 'Form A', 'B · F']);
  });

  it('say age before sex before morph', () => {
    expect(sayFacets(ledgeCrabs, { morph: 'banded', sex: 'male', stage: 'adult' })).toBe('adult male, banded');
    expect(sayFacets(ledgeCrabs, {})).toBe('');
  });
});

describe('a recommendation', () => {
  const recommended = { qualifier: 'none', taxon: 'murica', facets: { sex: 'male', stage: 'adult' } } as const;

  it('is overruled by another name, qualifier or sex, not by saying less', () => {
    expect(overrules(recommended, recommended)).toBe(false);
    expect(overrules(recommended, { ...recommended, facets: {} })).toBe(false);
    expect(overrules(recommended, { ...recommended, taxon: 'cinerata' })).toBe(true);
    expect(overrules(recommended, { ...recommended, qualifier: 'cf.' })).toBe(true);
    expect(overrules(recommended, { ...recommended, facets: { sex: 'female' } })).toBe(true);
    expect(overrules(recommended, { ...recommended, facets: { morph: 'pale' } })).toBe(true);
  });

  it('of one of two does not depend on which comes first', () => {
    const pair = { qualifier: 'or', taxon: 'a', other: 'b', facets: {} } as const;
    expect(overrules(pair, { ...pair, taxon: 'b', other: 'a' })).toBe(false);
  });

  it.each([
    ['taxon', { qualifier: 'none', taxon: 't' }],
    ['either', { qualifier: 'or', taxon: 't', other: 'o' }],
    ['outside', { qualifier: 'outside' }],
    ['undetermined', { qualifier: 'unknown' }],
  ] as const)('from a call of %s', (kind, expected) => {
    expect(recommendedName({ kind, taxon: 't', other: 'o', facets: {}, p: 1, verdicts: [], text: '' })).toMatchObject(expected);
  });
});

describe('a summary', () => {
  const readings: Reading[] = [{ character: 'front-edge', states: ['three-teeth'] }];
  const standing = standingOf(compileGuide(ledgeCrabs), {}, readings);

  it('without a name tells the leader and how probable it is', () => {
    expect(summarise(ledgeCrabs, standing, [])).toMatchObject({
      name: 'Not yet named',
      qualifier: 'unknown',
      taxon: 'murica',
      p: standing.beam.left.p,
    });
  });

  it('is the last name given', () => {
    const name = (taxon: string): Determination => ({
      id: taxon,
      qualifier: 'none',
      taxon,
      facets: {},
      by: 'a',
      at: '',
      p: 0.5,
      recommended: 'r',
      overruled: false,
      guideVersion: 1,
    });
    expect(summarise(ledgeCrabs, standing, [name('cinerata'), name('murica')])).toMatchObject({
      name: 'Petralda murica',
      p: 0.5,
      text: 'r',
    });
  });
});
