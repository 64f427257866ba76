import { workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { saidIn } from './grid';

const working = workingOf(ledgeCrabs);
const [book, revision] = ledgeCrabs.sources.map(({ id }) => id);
const of = (taxon: string, character: string, now: Parameters<typeof saidIn>[2]) => saidIn({ taxon, character }, working, now);

describe('what is sought in the grid is shown as it is said', () => {
  it('as it is looked at, where it is said so', () => {
    expect(of('cinerata', 'belly-spots', { source: book, part: {} })).toEqual({ source: book, part: {} });
    expect(of('cinerata', 'belly-spots', { source: revision, part: {} })).toEqual({ source: revision, part: {} });
  });

  it('else by who says it, of all or of a part', () => {
    const eyes = of('cinerata', 'eye-stalks', { source: book, part: {} })!;
    const score = [...working.scores.values()].find(
      ({ character, scope }) => character === 'eye-stalks' && scope.taxon === 'cinerata',
    )!;
    expect(eyes).toEqual({ source: score.source, part: {} });
    expect(eyes.source).not.toBe(book);
    expect(of('velloma-velloma', 'width-ratio', { source: book, part: {} })).toEqual({
      ...{ source: book, part: { facets: { stage: ['adult'] } } },
    });
  });

  it('and as it is looked at, where nobody says anything', () => {
    expect(of('cinerata', 'no-such-character', { source: book, part: {} })).toBeUndefined();
  });
});
