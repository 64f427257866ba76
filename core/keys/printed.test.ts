import { meantKey, PRINTINGS, printed, roman } from '../test/printedKeys';
import { readKeyText } from '.';

/** Leads as `statements → where`, in the order of the couplets' numbers. */
const meant = (key: ReturnType<typeof meantKey>) =>
  key.map((leads) =>
    leads.map(({ statements, to }) => `${statements.join('; ')} → ${'couplet' in to ? `c${to.couplet}` : to.name}`),
  );

function told(text: string, couplets: number) {
  const { key, problems } = readKeyText(text, 'Printed');
  const byNumber = new Map(key?.couplets.map((couplet) => [couplet.number, couplet]));
  const leads = Array.from({ length: couplets }, (_, c) =>
    byNumber.get(String(c + 1))?.leads.map(({ statements, to }) => {
      // Pages and sexes cited behind a name are kept with the words.
      const words = statements.map(({ text: own }) => own.replace(/ \(♂, p\. 14\)$/, '')).join('; ');
      return `${words} → ${to.kind === 'couplet' ? to.couplet : to.kind === 'taxon' ? to.name : to.kind}`;
    }),
  );
  return { leads, codes: problems.map(({ code }) => code) };
}

describe.each(Object.entries(PRINTINGS))('a key printed with %s', (name, style) => {
  it.each([3, 6, 9, 12, 15])('is read as it was meant, of %d couplets', (couplets) => {
    const key = meantKey(`${name} ${couplets}`, couplets);
    const { leads, codes } = told(printed(key, style), couplets);
    expect(leads).toEqual(meant(key));
    // Heads and numbers of pages are passed over, and said; nothing else is wrong with these.
    expect(codes.filter((code) => code !== 'page-head')).toEqual([]);
    if (!style.header) expect(codes).toEqual([]);
  });
});

describe('thirty styles of print', () => {
  it('there are at least', () => {
    expect(Object.keys(PRINTINGS).length).toBeGreaterThanOrEqual(30);
    expect([1, 4, 9, 14, 40, 89].map(roman)).toEqual(['I', 'IV', 'IX', 'XIV', 'XL', 'LXXXIX']);
  });
});

describe('what is not understood is said at its line', () => {
  const problems = (text: string) => readKeyText(text, 'T').problems.map(({ line, code }) => `${line} ${code}`);

  it('a count at the end is no couplet', () => {
    const { key, problems: said } = readKeyText(
      '1a Pits many, seldom 15\n   Velda alba\n1b Pits few, about 2\n1c Pits none ... Velda nigrans',
      'T',
    );
    expect(key!.couplets[0].leads[1].to).toEqual({ kind: 'open' });
    expect(said.map(({ line, code }) => `${line} ${code}`)).toContain('3 unclear-destination');
    expect(key!.couplets).toHaveLength(1);
  });

  it('a couplet of one lead', () => {
    expect(problems('1a Head round ... Velda alba\n1b Head square ... 2\n2a Feeler long ... Velda nigrans')).toContain(
      '3 one-lead',
    );
  });

  it('a third line with a leader of its own, swallowed by the lead before it', () => {
    const text = '1. Head round .... Velda alba\n   Head square .... Velda nigrans\n   Head long .... Velda velox';
    expect(problems(text)).toContain('3 swallowed-line');
  });

  it('numbers that may be meant in two ways', () => {
    expect(problems('1a Spines 8+9 ... Velda alba\n1b Spines not 5 ... Velda nigrans')).toEqual([
      '1 unclear-number',
      '2 unclear-number',
    ]);
  });

  it('two origins, either of which is right', () => {
    const text =
      '1a Head round ... 3\n1b Head square ... 2\n2a Feeler long ... 3\n2b Feeler short ... Velda alba\n3(1,2). Spur bent ... Velda velox\n– Spur straight ... Velda minuta';
    expect(problems(text)).toEqual([]);
    expect(problems(text.replace('3(1,2)', '3(4,5)'))).toEqual(['5 back-reference']);
  });
});
