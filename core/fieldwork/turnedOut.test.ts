import { tinyGuide } from '../test/tinyGuide';
import { contradictions, saidOtherwise, type Seen, sexIn, type TurnedOut } from '.';

const guide = tinyGuide();
const seen = (id: string, more: Partial<Seen>): Seen => ({ id, what: 'again', day: `2026-05-0${id}`, overrides: [], ...more });
const egg: TurnedOut = { taxon: 'a', sex: 'female', how: 'by an egg it laid' };

describe('what the bearer of a ring turned out to be', () => {
  it('is held against what each of its captures said, and not against what they are silent on', () => {
    const all = [
      seen('1', { taxon: 'a', sex: 'male' }),
      seen('2', { taxon: 'genus', sex: 'unknown' }),
      seen('3', { taxon: 'b', sex: 'female' }),
      seen('4', { name: 'a gull' }),
      seen('5', { taxon: 'b', sex: 'male' }),
    ];
    expect(saidOtherwise(guide, all, egg)).toEqual([
      { id: '1', day: '2026-05-01', sex: 'male' },
      { id: '3', day: '2026-05-03', taxon: 'b' },
      { id: '5', day: '2026-05-05', taxon: 'b', sex: 'male' },
    ]);
    expect(saidOtherwise(guide, all, { ...egg, taxon: 'genus', sex: undefined })).toEqual([]);
  });

  it('settles what kind and sex it is, and not what the captures contradict one another in otherwise', () => {
    const all = [
      seen('1', { what: 'ringed', taxon: 'a', sex: 'male' }),
      seen('2', { taxon: 'b', sex: 'female' }),
      seen('3', { what: 'ringed', taxon: 'b', sex: 'female' }),
    ];
    const told = (truth?: TurnedOut) => contradictions(all, undefined, truth).map(({ code, resolved }) => [code, resolved]);
    expect(told()).toEqual([
      ['kinds-differ', undefined],
      ['sexes-differ', undefined],
      ['ringed-twice', undefined],
    ]);
    expect(told(egg)).toEqual([
      ['kinds-differ', 'It is known what kind it is, by an egg it laid.'],
      ['sexes-differ', 'It turned out female, by an egg it laid.'],
      ['ringed-twice', undefined],
    ]);
    expect(told({ ...egg, sex: undefined })[1]).toEqual(['sexes-differ', undefined]);
  });

  it('has the sex that the guide’s facet is called by', () => {
    const facets = { sex: [{ id: 'f', label: 'female' }] };
    expect(sexIn({ facets }, { sex: 'f' })).toBe('female');
    expect(sexIn(undefined, { sex: 'male' })).toBe('male');
    expect(sexIn({ facets }, {})).toBeUndefined();
    expect(sexIn({ facets }, { sex: 'worker' })).toBeUndefined();
  });
});
