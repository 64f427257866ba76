import type { Reading } from '../observation';
import { describePhoto, photosOf, withoutPhoto, withPhoto, withTop } from './photos';
import type { Media } from './schema';

const [a, b, c] = ['a', 'b', 'c'].map((letter) => letter.repeat(64));
interface Content {
  photo?: string;
  media?: Media[];
  readings?: Reading[];
}
const two = (): Content => withPhoto(withPhoto<Content>({}, a, 'id-a'), b, 'id-b');

describe('the photos of a specimen', () => {
  it('stand in their order, the one on top first, each once', () => {
    expect(photosOf({})).toEqual([]);
    expect(photosOf({ photo: a })).toEqual([{ hash: a }]);
    expect(photosOf(two()).map(({ hash }) => hash)).toEqual([a, b]);
    expect(photosOf(withTop(two(), b, 'x')).map(({ hash }) => hash)).toEqual([b, a]);
    const sound: Media = { id: 's', kind: 'sound', hash: c };
    expect(photosOf({ ...two(), media: [...two().media!, sound, two().media![0]] })).toHaveLength(2);
  });

  it('come in once for their content, up to forty', () => {
    const so = two();
    expect(withPhoto(so, a, 'again')).toBe(so);
    let many: Content = {};
    for (let i = 0; i < 50; i++) many = withPhoto(many, String(i).padStart(64, '0'), String(i));
    expect(many.media).toHaveLength(40);
  });

  it('that were on top alone are not lost when another comes on top', () => {
    const older = withPhoto<Content>({ photo: a }, b, 'id-b');
    const next = withTop(older, b, 'id-a');
    expect(next.photo).toBe(b);
    expect(photosOf(next).map(({ hash }) => hash)).toEqual([b, a]);
  });

  it('go with what was pointed at on them, and leave what was pointed at on others', () => {
    const readings: Reading[] = [
      { character: 'x', at: { x: 0.1, y: 0.2 } },
      { character: 'y', at: { x: 0.3, y: 0.4, photo: b } },
      { character: 'z' },
    ];
    const so = { ...two(), readings };
    const topped = withTop(so, b, 'x');
    expect(topped.readings.map(({ at }) => at?.photo)).toEqual([a, b, undefined]);
    const without = withoutPhoto(so, a);
    expect(without).toMatchObject({ photo: b, media: [{ hash: b }] });
    expect(without.readings.map(({ at }) => at?.photo)).toEqual([undefined, b, undefined]);
    expect(withoutPhoto(withoutPhoto(so, a), b)).toMatchObject({ photo: undefined, media: [] });
    expect(withoutPhoto(topped, a).readings[0].at).toBeUndefined();
    expect(withoutPhoto({ photo: a }, a).photo).toBeUndefined();
  });

  it('say what they show and who made them, until it is taken back', () => {
    const said = describePhoto(two(), { hash: b, view: 'side', credit: 'A. Orvane', note: '' }, 'unused');
    expect(said.media![1]).toEqual({ id: 'id-b', kind: 'photo', hash: b, view: 'side', credit: 'A. Orvane' });
    expect(describePhoto(said, { hash: b, view: '' }, 'unused').media![1]).toEqual({ id: 'id-b', kind: 'photo', hash: b });
    // One from before there were several is listed now.
    expect(describePhoto<Content>({ photo: a }, { hash: a, note: 'wet' }, 'new').media).toEqual([
      { id: 'new', kind: 'photo', hash: a, note: 'wet' },
    ]);
  });
});
