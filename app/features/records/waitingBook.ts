import type { IndividualWrite } from '@plesion/contract';
import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { PairingWrite } from '@plesion/contract/pairings';
import type { Pen, PenWrite } from '@plesion/contract/pens';
import { inPensNow, pairedInNow, penAnew, penNames } from '@plesion/core/colony';

/** A record of a book as it stands on this device. */
interface Here {
  kind: string;
  id: string;
  content: unknown;
}

/** A book with what stands on this device on top of it; what each carries stays as it was worked out last. */
export function withWaiting(book: Colony, guideId: string, waiting: readonly Here[]): Colony {
  const own = <T extends { guideId?: string }>(kind: string) =>
    waiting
      .filter((entry) => entry.kind === kind && (entry.content as T).guideId === guideId)
      .map(({ id, content }) => ({ id, content: content as T }));
  const individuals = own<IndividualWrite>('individual');
  const pairings = own<PairingWrite>('pairing');
  const changed = own<PenWrite>('pen');
  if (!individuals.length && !pairings.length && !changed.length) return book;
  const pens = pensWith(book.pens, changed);
  const now = penNames(pens);
  return {
    ...{ ...book, pens },
    members: membersWith(book.members, individuals).map((one) => ({ ...one, kept: inPensNow(one.kept, now) })),
    pairings: recordsWith(book.pairings, pairings).map((one) => pairedInNow(one, now)),
  };
}

interface Waiting<T> {
  id: string;
  content: T;
}

function membersWith(stored: readonly ColonyMember[], waiting: readonly Waiting<IndividualWrite>[]): ColonyMember[] {
  const changed = new Map(waiting.map(({ id, content }) => [id, content]));
  const known = new Set(stored.map(({ id }) => id));
  const names = new Set(stored.map(({ name }) => name));
  const nameOf = (label: string): string => {
    let name = label;
    for (let n = 2; names.has(name); n++) name = `${label} (${n})`;
    names.add(name);
    return name;
  };
  return [
    ...stored.flatMap((one): ColonyMember[] => {
      const here = changed.get(one.id);
      if (!here) return [one];
      // By its old name the answers know it, until they are worked out anew.
      return here.kept && !here.hidden
        ? [{ ...one, version: here.version, label: here.label, kept: here.kept, note: here.note }]
        : [];
    }),
    ...waiting
      .filter(({ id, content }) => !known.has(id) && content.kept && !content.hidden)
      .map(({ id, content: { version, label, kept, note } }) => ({
        ...{ id, version, label, kept: kept!, name: nameOf(label) },
        ...(note ? { note } : {}),
      })),
  ];
}

interface Recorded {
  id: string;
  hidden: boolean;
}

/** Records with what stands on this device on top of them. */
function recordsWith<R extends Recorded>(
  stored: readonly R[],
  waiting: readonly Waiting<Omit<R, 'id' | 'recordedBy' | 'createdAt' | 'updatedAt'>>[],
): R[] {
  const known = new Set(stored.map(({ id }) => id));
  const here = new Map(waiting.map(({ id, content }) => [id, content]));
  const nobodyYet = { recordedBy: '', createdAt: '', updatedAt: '' };
  return [
    ...waiting.filter(({ id }) => !known.has(id)).map(({ id, content }) => ({ ...nobodyYet, ...content, id }) as unknown as R),
    ...stored.map((one) => ({ ...one, ...here.get(one.id) })),
  ].filter(({ hidden }) => !hidden);
}

/** The same of pens: one that is called otherwise here keeps its former name, as it will when it is sent. */
const pensWith = (stored: readonly Pen[], waiting: readonly Waiting<PenWrite>[]): Pen[] =>
  recordsWith(
    stored,
    waiting.map(({ id, content }) => ({
      id,
      content: penAnew(
        stored.find((one) => one.id === id),
        content,
      ),
    })),
  );
