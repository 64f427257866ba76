import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Quantity } from '../guide';
import { markedPhotoSvg } from './markedPhoto';

const ratio: Quantity = { id: 'r', kind: 'ratio', numerator: { points: ['a', 'b'] }, denominator: { points: ['c', 'd'] } };
const count: Quantity = { id: 'n', kind: 'count', markers: 'm' };
const size = { width: 2000, height: 1000 };

describe('a photo with what is on it', () => {
  const svg = markedPhotoSvg({
    href: 'data:image/jpeg;base64,AAAA',
    width: 1000,
    height: 500,
    title: 'L4 <“crab”> & more',
    credit: 'A. Orvane',
    pins: [{ at: { x: 0.25, y: 0.5 }, says: 'Front edge: three teeth' }],
    measured: [
      {
        quantity: ratio,
        set: { a: [100, 200], b: [300, 200], c: [200, 100], d: [200, 400] },
        size,
        says: 'Width ÷ length: 0.67',
      },
      { quantity: count, set: { m: [[400, 400], [600, 400]] }, size, says: 'Punctures: 2' }, // prettier-ignore
      { quantity: ratio, set: { a: [1, 1] }, size, says: 'Half set' },
    ],
  });

  it('is whole XML, whatever a name holds', () => {
    expect(XMLValidator.validate(svg)).toBe(true);
    const read = new XMLParser({ ignoreAttributes: false, htmlEntities: true }).parse(svg) as {
      svg: { title: string; text: unknown[] };
    };
    expect(read.svg.title).toBe('L4 <“crab”> & more');
  });

  it('has each thing where it lies, in the picture’s own size, and says it in the legend', () => {
    // Half the size of what it was measured on.
    expect(svg).toContain('d="M50 100L150 100"');
    expect(svg).toContain('d="M100 50L100 200"');
    expect(svg).toContain('<circle cx="200" cy="200"');
    expect(svg).toContain('<circle cx="250" cy="250"');
    for (const said of ['1  Front edge: three teeth', '2  Width ÷ length: 0.67', '3  Punctures: 2', 'Photo: A. Orvane'])
      expect(svg).toContain(said);
    expect(svg).not.toContain('NaN');
  });

  it('without anything on it is the photo alone', () => {
    const bare = markedPhotoSvg({ href: 'x', width: 10, height: 20, title: 't', pins: [], measured: [] });
    expect(bare).toContain('viewBox="0 0 10 20"');
    expect(bare).not.toContain('<path');
  });
});
