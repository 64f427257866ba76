import type { SpecimenWrite } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { sayReading, sayValue } from '@plesion/core/observation';
import { inWorkingOrder, readingOf, withoutReadingId, withReading } from './readings';

const character = (id: string) => ledgeCrabs.characters.find((c) => c.id === id)!;
const empty: SpecimenWrite = {
  version: 0,
  guideId: 'g',
  label: '',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
};

describe('readings in words', () => {
  it.each([
    ['front-edge', { states: ['two-lobes'] }, 'two lobes'],
    ['front-edge', { states: ['two-lobes', 'one-arch'], certainty: 'guess' }, 'two lobes or one arch (guess)'],
    ['front-edge', { status: 'not-visible', reason: 'weed over it' }, 'not visible: weed over it'],
    ['eggs', { status: 'does-not-apply' }, 'does not apply'],
    ['side-teeth', { value: 5 }, '5'],
    ['carapace-width', { value: 28.4, error: 0.3 }, '28.4 ± 0.3 mm'],
    ['width-ratio', { parts: { numerator: 32.4, denominator: 28.1 } }, '1.15 ± 0.02'],
  ] as const)('%s %j', (id, reading, said) => {
    expect(sayReading(character(id), { character: id, ...(reading as object) })).toBe(said);
  });

  it('keep the digits that the error allows', () => {
    expect(sayValue(character('carapace-width'), 28.44, 1)).toBe('28 ± 1 mm');
    expect(sayValue(character('carapace-width'), 28.44, 0.05)).toBe('28.44 ± 0.05 mm');
  });
});

describe('readings of a specimen', () => {
  it('replace the look they are of; a second look stands beside the first', () => {
    const first = withReading(empty, { id: '1', character: 'eggs', states: ['none'] });
    const mended = withReading(first, { id: '1', character: 'eggs', states: ['carried'] });
    expect(mended.readings).toEqual([{ id: '1', character: 'eggs', states: ['carried'] }]);
    const twice = withReading(mended, { id: '2', character: 'eggs', states: ['none'] });
    expect(readingOf(twice.readings, 'eggs')).toMatchObject({ id: '2' });
    expect(withoutReadingId(twice, '1').readings).toEqual([{ id: '2', character: 'eggs', states: ['none'] }]);
    expect(empty.readings).toEqual([]);
  });
});

describe('working order', () => {
  it('is age and sex, then shape, pattern, colour, behaviour, with every character once', () => {
    const groups = inWorkingOrder(ledgeCrabs);
    expect(groups.map(({ group }) => group)).toEqual(['baseline', 'shape', 'pattern', 'colour', 'behaviour']);
    expect(groups.flatMap(({ characters }) => characters)).toHaveLength(ledgeCrabs.characters.length);
  });
});
