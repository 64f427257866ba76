import { typesetName } from '../guide/working';
/** Names in stars lean. */
const set = (name: string) =>
  typesetName(name)
    .map(({ text, italic }) => (italic ? `*${text.trimEnd()}*${text.slice(text.trimEnd().length)}` : text))
    .join('');

describe('a name as it stands in a text', () => {
  it.each([
    ['Velda alba', '*Velda alba*'],
    ['Velda alba Tessel, 1901', '*Velda alba* Tessel, 1901'],
    ['Velda alba (Tessel, 1901)', '*Velda alba* (Tessel, 1901)'],
    ['V. alba', '*V. alba*'],
    ['Velda cf. alba', '*Velda* cf. *alba*'],
    ['Velda sp.', '*Velda* sp.'],
    ['Velda alba subsp. minor Hallin', '*Velda alba* subsp. *minor* Hallin'],
    ['Velda', '*Velda*'],
    ['Veldidae', 'Veldidae'],
    ['T. vexillax (full-grown)', '*T. vexillax* (full-grown)'],
    ['key to the others', 'key to the others'],
  ])('%s', (name, expected) => expect(set(name)).toBe(expected));

  it('loses no letter', () => {
    for (const name of ['Velda alba × V. nigra', 'Velda alba or V. nigra', 'Velda  alba', 'not a name']) {
      expect(
        typesetName(name)
          .map(({ text }) => text)
          .join(''),
      ).toBe(name);
    }
  });
});
