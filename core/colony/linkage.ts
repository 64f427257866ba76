import type { BookCharacter, BookRead, BookRow, FileProblem } from './bookRow';

/** As the columns of a pedigree file of linkage programs are called. */
const COLUMNS = ['family', 'individual', 'father', 'mother', 'sex', 'phenotype'];
const SEXES = ['0', '1', '2'];

/** A name without white space: a space becomes “_”, and “_” and “~” stand behind a “~”. “0” stands for nobody; somebody called so is “~0”. */
const written = (name: string): string => (name === '0' ? '~0' : name.replace(/[~_]/g, '~$&').replace(/\s/g, '_'));
const read = (name: string): string => name.replace(/~(.)|_/g, (_, escaped: string | undefined) => escaped ?? ' ');

/**
 * A book as linkage programs read pedigrees (Terwilliger & Ott 1994): a line for each with family, individual, father,
 * mother, sex (1 male, 2 female, 0 not known) and phenotype, divided by spaces. The phenotype is the number of the state
 * of one character, from 1 in the order of the guide's rules, 0 where it is not known. What such a file cannot hold is left out:
 * parents in doubt, sexes and states that are not certain.
 *
 * @param families of each individual, by name; those that hang together by parents are one.
 */
export function writeLinkage(rows: readonly BookRow[], { id, states }: BookCharacter): string {
  const families = familiesOf(rows);
  return rows
    .map(({ label, kept }) => {
      const only = (names: readonly string[]) => (names.length === 1 ? written(names[0]) : '0');
      const sex = kept.sex?.certainty === 1 ? (kept.sex.called === 'male' ? 1 : 2) : 0;
      const seen = kept.phenotypes[id];
      const phenotype = typeof seen === 'string' ? states.indexOf(seen) + 1 : 0;
      return [families.get(label), written(label), only(kept.fathers), only(kept.mothers), sex, phenotype].join(' ') + '\n';
    })
    .join('');
}

/** The same read again; lines that are empty or begin with “#” are passed over. */
export function readLinkage(text: string, { id, states }: BookCharacter): BookRead & { lines: number[] } {
  const rows: BookRow[] = [];
  const lines: number[] = [];
  const problems: FileProblem[] = [];
  text.split(/\r\n|\n|\r/).forEach((content, i) => {
    const cells = content.trim().split(/\s+/);
    if (cells[0] === '' || cells[0].startsWith('#')) return;
    const line = i + 1;
    const wrong = (column: string, message: string) => problems.push({ line, column, message });
    if (cells.length !== COLUMNS.length) {
      wrong(
        COLUMNS[Math.min(cells.length, COLUMNS.length - 1)],
        `There are ${cells.length} columns; write ${COLUMNS.join(', ')}.`,
      );
      return;
    }
    const [, individual, father, mother, sex, phenotype] = cells;
    if (individual === '0') wrong('individual', 'Nobody is called 0; that stands for a parent who is not known.');
    if (!SEXES.includes(sex)) wrong('sex', `“${sex}” is no sex; write 1 for a male, 2 for a female, 0 where it is not known.`);
    const state = Number(phenotype);
    if (!Number.isInteger(state) || state < 0 || state > states.length)
      wrong(
        'phenotype',
        `“${phenotype}” is no state of “${id}”; write 0 where it is not known, or a number from 1 to ${states.length}: ${states.join(', ')}.`,
      );
    const parent = (name: string) => (name === '0' ? [] : [read(name)]);
    lines.push(line);
    rows.push({
      label: read(individual),
      kept: {
        ...(sex === '1' || sex === '2' ? { sex: { called: sex === '1' ? 'male' : 'female', certainty: 1 } } : {}),
        ...{ fathers: parent(father), mothers: parent(mother), status: 'here' },
        phenotypes: state >= 1 && state <= states.length ? { [id]: states[state - 1] } : {},
      },
    });
  });
  return { rows, lines, problems };
}

/** A number for each family: everybody who hangs together by parents, in the order of the rows. */
function familiesOf(rows: readonly BookRow[]): Map<string, number> {
  const head = new Map(rows.map(({ label }) => [label, label]));
  const headOf = (name: string): string => {
    let at = name;
    while (head.get(at) !== at) at = head.get(at)!;
    return at;
  };
  for (const { label, kept } of rows)
    for (const parent of [...kept.fathers, ...kept.mothers]) if (head.has(parent)) head.set(headOf(label), headOf(parent));
  const numbers = new Map<string, number>();
  return new Map(
    rows.map(({ label }) => {
      const own = headOf(label);
      if (!numbers.has(own)) numbers.set(own, numbers.size + 1);
      return [label, numbers.get(own)!];
    }),
  );
}
