import type { CaptureWrite, SpecimenWrite, StoredGuide } from '@plesion/contract';
import { readBack, ringOf, ringSizes } from '@plesion/core/fieldwork';
import { useRouter } from 'expo-router';
import { type ReactNode, Suspense, useEffect, useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { today } from '../../lib/dates';
import { focusOnWrong } from '../../lib/focusOnWrong';
import { useKeptState } from '../../lib/useKeptState';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { lazyPart } from '../../ui/lazyPart';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { startDraft } from '../records/drafts';
import { useSession } from '../session/useSession';
import { type Halt, haltsOf } from './halts';
import { FromBench } from './FromBench';
import type { Guides } from './KindField';
import { RingPanel } from './RingPanel';
import { SheetFields } from './SheetFields';
import { bears, captureOf, NOTHING_TYPED, Typed, typedOf } from './typed';
import type { Field, LoadedString } from './useField';
import { useHistory } from './useHistory';
import { inWords, kindName } from './words';

/** What was read is weighed once there is some. */
const WarnedBefore = lazyPart(
  () => import('../verification/WarnedBefore'),
  (one) => one.WarnedBefore,
);

interface CatchFormProps {
  /** What is typed is kept under it. */
  about: string;
  field: Field;
  stored: StoredGuide;
  often: ReadonlyMap<string, number>;
  visitId: string;
  /** Absent where the catch is already of one. */
  guides?: Guides;
  /** The catch that is changed; a new one, where absent. */
  before?: { id: string; capture: CaptureWrite };
  /** Above the sheet. */
  head: ReactNode;
  /** Below it. */
  children?: ReactNode;
  /** Beside what saves. */
  said?: ReactNode;
  onSave: (capture: CaptureWrite, id: string) => void;
}

/** A catch: four touches where all goes well, and a halt with its reason where it does not. */
export function CatchForm({
  about,
  field,
  stored,
  often,
  visitId,
  guides,
  before,
  head,
  children,
  said,
  onSave,
}: CatchFormProps) {
  const router = useRouter();
  const session = useSession();
  const [typed, change, forget] = useKeptState(`catch.${about}`, Typed, before ? typedOf(before.capture) : NOTHING_TYPED);
  const [id] = useState(() => before?.id ?? mintId());
  const [shown, setShown] = useState<Halt[]>([]);
  useEffect(() => {
    if (shown.length) focusOnWrong();
  }, [shown]);
  const guide = stored.guide;
  const string = stringFor(field, typed.taxon ? ringSizes(guide, typed.taxon) : undefined);
  const offered = string?.standing.next;
  const typedMark = ringOf(typed.mark);
  const mark = typedMark ?? (typed.what === 'ringed' ? offered : undefined);
  const history = useHistory(bears(typed.what) && typedMark ? typedMark : undefined);
  const known = before && history.data ? withoutOwn(history.data, before.id) : history.data;

  const capture = useMemo(
    () =>
      captureOf(typed, {
        before: before?.capture,
        visitId,
        guideId: stored.id,
        guide,
        family: field.sheet.family,
        mark,
        by: session.account.name,
        now: new Date().toISOString(),
      }),
    [typed, before, visitId, stored.id, guide, field.sheet.family, mark, session.account.name],
  );
  const halts = haltsOf(typed, { field, guide, families: field.families, capture, id, history: known, isNew: !before });
  const open = halts.filter(({ beyond, code }) => !beyond || !typed.reasons[code]?.trim());
  /** What was told when one tried to save, as far as it still holds. */
  const told = shown.flatMap(({ code, field: at }) => open.filter((halt) => halt.code === code && halt.field === at));
  /** What was read of a kind of one guide says nothing of another's; the ring and the bird stay. */
  const otherGuide = (other: string) => {
    change({ taxon: undefined, values: {}, states: {}, specimenId: undefined });
    guides?.choose(other);
  };
  const says = (name: string) => told.find((halt) => halt.field === name)?.says;
  const beyond = halts.filter((halt) => halt.beyond);

  const save = () => {
    if (open.length) return setShown(open);
    onSave({ ...capture, ...(before ? {} : { at: new Date().toISOString() }) }, id);
    forget();
  };

  const saving = beyond.length && open.length === 0 ? 'Save all the same' : before ? 'Save the change' : 'Save the catch';

  /** The Bench weighs what was read, as a specimen of its own. */
  const ask = () => {
    const specimen = typed.specimenId ?? mintId();
    if (!typed.specimenId) {
      startDraft(session.station.id, specimen, {
        version: 0,
        guideId: stored.id,
        label: mark ? `Ring ${mark}` : 'A catch',
        ...inHand(capture),
        determinations: [],
        hidden: false,
      });
      change({ specimenId: specimen });
    }
    router.push(`/specimens/${specimen}/bench?visit=${visitId}`);
  };

  return (
    <Screen
      widest={720}
      foot={
        <Stack>
          {said}
          {told.length > 0 && (
            <Text role="alert" size="small" color={colour.hazard}>
              {told.length === 1 ? told[0].says : `${told.length} things are to be mended or said first.`}
            </Text>
          )}
          <Button kind="main" label={saving} hint={mark ? `${saving}: ${readBack(mark)}` : undefined} onPress={save} />
        </Stack>
      }
    >
      {head}
      <Card>
        <RingPanel
          typed={typed}
          change={change}
          offered={offered}
          aside={string && `size ${string.string.size}, ${inWords(string.standing.left, 'ring')} left`}
          guide={guide}
          history={known}
          says={says}
        />
      </Card>
      {beyond.map(({ code, says: sentence }) => (
        <Notice key={code} kind="problem" title={sentence}>
          <TextField
            label="Why it stands all the same"
            value={typed.reasons[code] ?? ''}
            onChangeText={(reason) => change({ reasons: { ...typed.reasons, [code]: reason } })}
            problem={told.some((halt) => halt.code === code) ? 'Say why, or mend it; it is recorded.' : undefined}
            maxLength={120}
          />
        </Notice>
      ))}
      <Card>
        <SheetFields
          field={field}
          guide={guide}
          often={often}
          typed={typed}
          change={change}
          says={says}
          guides={guides && { ...guides, choose: otherGuide }}
        />
        <Disclosure title="Look at it again on a day" open={Boolean(typed.due)}>
          <TextField
            label="Day"
            value={typed.due}
            onChangeText={(due) => change({ due })}
            placeholder="2026-05-12"
            problem={says('due')}
            maxLength={10}
          />
          <TextField
            label="What is to be looked at"
            value={typed.dueText}
            onChangeText={(dueText) => change({ dueText })}
            problem={says('dueText')}
            maxLength={120}
          />
        </Disclosure>
        {capture.readings.length > 0 && (
          <Suspense fallback={null}>
            <WarnedBefore stored={stored} content={inHand(capture)} />
          </Suspense>
        )}
        {typed.taxon && (
          <Button
            small
            kind="quiet"
            label="Why do you think so?"
            hint={`Why do you think so? ${kindName(guide, typed)}, to the Bench`}
            onPress={ask}
          />
        )}
      </Card>
      {typed.specimenId && <FromBench specimenId={typed.specimenId} typed={typed} change={change} />}
      {children}
    </Screen>
  );
}

/** What was read of a live one in the hand, as the Bench weighs it. */
const inHand = ({ readings }: CaptureWrite): Pick<SpecimenWrite, 'situation' | 'readings'> => ({
  situation: { date: today(), subject: 'live', distance: 'hand', handling: 'hold' },
  readings,
});

/** The string that the ring of a kind is taken from: of its size, the one put on last; of any, where the kind is not chosen yet. */
function stringFor({ strings }: Field, sizes: readonly string[] | undefined): LoadedString | undefined {
  const fit = strings.filter(({ string, standing }) => standing.next && (!sizes || sizes.includes(string.size)));
  return fit.sort((a, b) => b.string.loadedOn.localeCompare(a.string.loadedOn) || b.standing.used - a.standing.used)[0];
}

/** The history without the capture at hand; null where it was the only one. */
function withoutOwn<H extends { captures: { id: string }[] }>(history: H, id: string): H | null {
  const captures = history.captures.filter((one) => one.id !== id);
  return captures.length ? { ...history, captures } : null;
}
