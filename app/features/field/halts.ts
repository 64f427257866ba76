import type { CaptureWrite, MarkHistory } from '@plesion/contract';
import {
  type AgeFamily,
  brokenChecks,
  checkRing,
  contradictions,
  numberIn,
  readBack,
  ringOf,
  ringSizes,
} from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { numberOf } from '../../lib/numberOf';
import { bears, isWanted, type Typed } from './typed';
import type { Field } from './useField';

/** What keeps a catch from being saved. */
export interface Halt {
  code: string;
  says: string;
  /** The field it is about, where there is one. */
  field?: string;
  /** May it be saved all the same, when it is said why? */
  beyond: boolean;
}

interface Known {
  field: Field;
  guide: Guide;
  families: readonly AgeFamily[];
  /** As it would be kept. */
  capture: CaptureWrite;
  id: string;
  /** What is known of the bearer of the ring; undefined where it could not be asked, null where nobody bears it. */
  history?: MarkHistory | null;
  /** Was it kept before? Its own ring is out then. */
  isNew: boolean;
}

/** Everything that keeps a catch from being saved: what is missing or wrong first, then what can be gone beyond. */
export function haltsOf(typed: Typed, known: Known): Halt[] {
  return [...wrongOf(typed, known), ...ringHalts(typed, known), ...ruleHalts(known)];
}

const wrong = (field: string, says: string, code = `bad-${field}`): Halt => ({ code, says, field, beyond: false });

function wrongOf(typed: Typed, { field: { sheet }, guide }: Known): Halt[] {
  const halts: Halt[] = [];
  const wanted = isWanted(typed.what);
  const needs = (name: string) => sheet.fields.some(({ field, needed }) => needed && field === name);
  if (!wanted && !typed.name.trim()) halts.push(wrong('name', 'Say what it was.'));
  if (wanted && !typed.taxon && (bears(typed.what) || (needs('kind') && typed.what !== 'lost')))
    halts.push(wrong('kind', 'Choose the kind.'));
  if (bears(typed.what)) {
    if (needs('age') && !typed.age) halts.push(wrong('age', 'Choose the age code.'));
    if (needs('sex') && !typed.sex) halts.push(wrong('sex', 'Choose the sex; unknown is an answer.'));
    if (needs('sexBy') && typed.sex && typed.sex !== 'unknown' && !typed.sexBy)
      halts.push(wrong('sexBy', 'Say by what the sex was told.'));
    if (needs('condition') && !typed.condition) halts.push(wrong('condition', 'Choose its condition.'));
    for (const { field, needed } of sheet.fields) {
      if (!needed || !field.startsWith('reading:')) continue;
      const id = field.slice('reading:'.length);
      const label = guide.characters.find((character) => character.id === id)?.label ?? id;
      if (!typed.values[id]?.trim() && !typed.states[id]?.length) halts.push(wrong(field, `${label} is asked for by the sheet.`));
    }
  }
  if (typed.mass.trim() && !((numberOf(typed.mass) ?? 0) > 0)) halts.push(wrong('mass', 'Write the weight in g, such as 128.5.'));
  if (needs('mass') && bears(typed.what) && !typed.mass.trim())
    halts.push(wrong('mass', 'The weight is asked for by the sheet.'));
  for (const [id, text] of Object.entries(typed.values))
    if (text.trim() && numberOf(text) === undefined) halts.push(wrong(`reading:${id}`, 'Write a number, such as 271.'));
  for (const [parent, ring] of [
    ['mother', typed.mother],
    ['father', typed.father],
  ] as const) {
    if (ring.trim() && !ringOf(ring)) halts.push(wrong(parent, 'Write the ring as its letters and digits, such as H 04517.'));
    if (ring.trim() && ringOf(ring) === ringOf(typed.mark)) halts.push(wrong(parent, 'Nobody is a parent of itself.'));
  }
  if (needs('release') && !typed.release) halts.push(wrong('release', 'Say what was done with it.'));
  if (typed.due.trim() && !/^\d{4}-\d\d-\d\d$/.test(typed.due)) halts.push(wrong('due', 'Write the day as 2026-05-12.'));
  if (typed.due.trim() && !typed.dueText.trim()) halts.push(wrong('dueText', 'Say what is to be looked at.'));
  return halts;
}

function ringHalts(typed: Typed, { field, guide, capture, history, isNew }: Known): Halt[] {
  if (!bears(typed.what)) return [];
  const typedMark = typed.mark.trim() ? ringOf(typed.mark) : undefined;
  if (typed.mark.trim() && !typedMark) return [wrong('mark', 'Write the ring as its letters and digits, such as H 04517.')];
  const { mark } = capture;
  if (!mark)
    return [
      wrong(
        'mark',
        typed.what === 'again'
          ? 'Read the ring on its leg.'
          : 'No string is loaded for this kind: type the ring, or load a string.',
      ),
    ];
  if (typedMark && isNew && ringOf(typed.markAgain) !== typedMark)
    return [
      wrong(
        'markAgain',
        typed.markAgain.trim() ? `Read it again: ${readBack(typedMark)} and this differ.` : 'Read the number a second time.',
      ),
    ];
  const ringed = field.strings.flatMap(({ string }) => string.ringed);
  if (typed.what === 'again') {
    if (history !== null) return [];
    const strings = field.strings.map(({ string }) => string);
    const found = checkRing(mark, strings, new Set(ringed), ringed);
    const near = found.kind === 'unknown' ? found.near : [];
    return [
      {
        code: 'ring-elsewhere',
        says: `No ${readBack(mark)} was put on here.${near.length ? ` Is it ${near.map(readBack).join(' or ')}?` : ''} It may be another station’s.`,
        beyond: true,
      },
    ];
  }
  const halts: Halt[] = [];
  if (isNew && history)
    return [wrong('mark', `${readBack(mark)} is out already. Is it met again, or read it once more.`, 'ring-out')];
  const own = field.strings.find(({ string }) => numberIn(string, mark) !== undefined);
  const nexts = field.strings.flatMap(({ standing }) => standing.next ?? []);
  if (isNew && !nexts.includes(mark)) {
    halts.push({
      code: 'ring-not-next',
      says: own?.standing.next
        ? `${readBack(mark)} is not the next of its string, which is ${readBack(own.standing.next)}.`
        : `${readBack(mark)} is in no string that is loaded.`,
      beyond: true,
    });
  }
  const sizes = capture.taxon ? ringSizes(guide, capture.taxon) : undefined;
  if (own && sizes && !sizes.includes(own.string.size))
    halts.push({
      code: 'ring-size',
      says: `A ring of size ${own.string.size} is not the size for this kind (${sizes.join(' or ')}).`,
      beyond: true,
    });
  return halts;
}

function ruleHalts({ guide, families, capture, history, id }: Known): Halt[] {
  const broken = brokenChecks(guide, capture, families).map(({ id: code, says }) => ({ code, says, beyond: true }));
  const before = history?.captures.filter((one) => one.id !== id && one.at <= capture.at) ?? [];
  const seen = [...before, { ...capture, id }].map((one) => ({ ...one, day: one.at.slice(0, 10), at: undefined }));
  const against = contradictions(seen, families)
    .filter(({ between }) => between[1] === id)
    .map(({ code, message }) => ({ code, says: message, beyond: true }));
  return [...broken, ...against];
}
