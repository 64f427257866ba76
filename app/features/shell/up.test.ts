import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { upFrom } from './up';

/** Every address there is, with an id where one stands. */
const ADDRESSES = readdirSync(join(__dirname, '../../app'), { recursive: true })
  .map(String)
  .filter((file) => file.endsWith('.tsx') && !/[_+]/.test(file))
  .map((file) => `/${file.replace('.tsx', '').replace('[id]', '0192f3a0')}`.replace(/\/index$/, '') || '/');

const PLACES = ['/', '/bench', '/guides', '/field', '/practice'];

describe('the way up', () => {
  it('begins at every page but the places of the bar', () => {
    expect(ADDRESSES.length).toBeGreaterThan(20);
    for (const address of ADDRESSES)
      expect([address, upFrom(address) === undefined]).toEqual([address, PLACES.includes(address)]);
  });

  it('leads to a page there is, and in the end to a place', () => {
    for (const address of ADDRESSES) {
      let here = address;
      for (let steps = 0; !PLACES.includes(here); steps++) {
        expect(steps).toBeLessThan(4);
        here = upFrom(here)!.href;
        expect(ADDRESSES).toContain(here);
      }
    }
  });

  it('keeps the specimen, guide or key one is at', () => {
    expect(upFrom('/specimens/7/name')).toEqual({ href: '/specimens/7/bench', label: 'Bench' });
    expect(upFrom('/guides/g-1/wall')).toEqual({ href: '/guides/g-1', label: 'Guide' });
    expect(upFrom('/keys/k/walk')).toEqual({ href: '/keys/k', label: 'Key' });
  });
});
