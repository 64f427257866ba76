import { termsIn } from '.';

const guide = {
  glossary: [
    { id: 'foot', term: 'foot', also: ['tarsus', 'feet'], text: 'The last part of the leg.' },
    { id: 'hind-foot', term: 'hind foot', text: 'The foot of the last leg.' },
    { id: 'row', term: 'row', text: 'A line of punctures.' },
  ],
};
const marked = (text: string) =>
  termsIn(guide, text)
    .map(({ text: run, term }) => (term ? `[${run}|${term.id}]` : run))
    .join('');

describe('terms in a text', () => {
  it.each([
    ['Hind foot with rows of dots', '[Hind foot|hind-foot] with [rows|row] of dots'],
    ['Tarsus or feet', '[Tarsus|foot] or [feet|foot]'],
    ['rowing, barefoot', 'rowing, barefoot'],
    ['nothing', 'nothing'],
  ])('“%s”', (text, expected) => expect(marked(text)).toBe(expected));

  it('are none without a glossary', () => expect(termsIn({}, 'foot')).toEqual([{ text: 'foot' }]));
});
