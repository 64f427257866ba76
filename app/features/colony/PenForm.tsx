import type { Pen } from '@plesion/contract/pens';
import { keyOfPen } from '@plesion/core/colony';
import type { Guide } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { TextField } from '../../ui/TextField';
import { penDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { KnownField } from './KnownField';
import { useColonyWrite } from './useColonyWrite';
import { isDay, strainsIn } from './words';

/** As it is typed; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  name: z.string(),
  place: z.string(),
  holds: z.string(),
  strain: z.string(),
  until: z.string(),
  note: z.string(),
});
type Typed = z.output<typeof Typed>;

interface Props {
  guide: Guide;
  guideId: string;
  /** What is changed; a new one where absent. */
  pen?: Pen;
  /** All pens of the book: no two have one name. */
  pens: readonly Pen[];
  /** Nobody is in it, so that it can be struck out. */
  isEmpty?: boolean;
  /** What a new one is called by those that are in it. */
  name?: string;
  onDone: () => void;
}

const FIELDS = ['name', 'place', 'holds', 'strain', 'until', 'note'];

/** Write a pen down, or change what is written of it. */
export function PenForm({ guide, guideId, pens, pen, isEmpty, name = '', onDone }: Props) {
  const [typed, change, forget] = useKeptState(`pen.${pen?.id ?? `${guideId}.${name}`}`, Typed, typedOf(pen, name));
  const station = useSession().station.id;
  const { write, busy, problem, setProblem, at } = useColonyWrite(
    guideId,
    (hidden: boolean) =>
      sendRecord(penDrafts, station, typed.id, { version: pen?.version ?? 0, hidden, ...penOf(typed, guideId, pen) }),
    () => {
      forget();
      onDone();
    },
  );
  const submit = () => {
    if (!typed.name.trim()) return setProblem({ field: 'name', message: 'Give it a name.' });
    const twin = pens.find((one) => one.id !== typed.id && keyOfPen(one.name) === keyOfPen(typed.name));
    if (twin) return setProblem({ field: 'name', message: `There is a pen “${twin.name}” already; call this one otherwise.` });
    const holds = numberOf(typed.holds);
    if (typed.holds.trim() && !(holds !== undefined && Number.isInteger(holds) && holds > 0))
      return setProblem({ field: 'holds', message: 'Write a whole number, or nothing.' });
    if (typed.until && !isDay(typed.until)) return setProblem({ field: 'until', message: 'Write the day as YYYY-MM-DD.' });
    write(false);
  };
  return (
    <View style={styles.form}>
      <TextField
        label="What it is called"
        value={typed.name}
        onChangeText={(text) => change({ name: text })}
        hint={pen ? 'Whoever is in it goes with its new name.' : undefined}
        problem={at('name')}
      />
      <TextField label="Where it stands" value={typed.place} onChangeText={(place) => change({ place })} problem={at('place')} />
      <TextField
        label="How many it takes"
        value={typed.holds}
        onChangeText={(holds) => change({ holds })}
        inputMode="numeric"
        problem={at('holds')}
      />
      <KnownField
        label="Kept for the strain"
        known={strainsIn(guide)}
        value={typed.strain}
        onChange={(strain) => change({ strain })}
        problem={at('strain')}
      />
      {pen && (
        <TextField
          label="No longer used since"
          value={typed.until}
          onChangeText={(until) => change({ until })}
          hint="As YYYY-MM-DD; leave it out while it is used."
          problem={at('until')}
        />
      )}
      <TextField label="Note" value={typed.note} onChangeText={(note) => change({ note })} multiline problem={at('note')} />
      {problem && !FIELDS.includes(problem.field ?? '') && <Notice kind="problem">{problem.message}</Notice>}
      <Row justify="end">
        {pen && isEmpty && <Button kind="quiet" label="Remove this pen" onPress={() => write(true)} />}
        <Button
          kind="quiet"
          label="Cancel"
          onPress={() => {
            forget();
            onDone();
          }}
        />
        <Button kind="main" label="Write the pen down" busy={busy} onPress={submit} />
      </Row>
    </View>
  );
}

function typedOf(pen: Pen | undefined, called: string): Typed {
  const { id = mintId(), name = called, place = '', holds, strain = '', until = '', note = '' } = pen ?? {};
  return { id, name, place, holds: holds === undefined ? '' : String(holds), strain, until, note };
}

/** What is typed, as it is kept. */
function penOf({ name, place, holds, strain, until, note }: Typed, guideId: string, before?: Pen) {
  const said = Object.entries({ place, strain, until, note }).flatMap(([field, text]) =>
    text.trim() ? [[field, text.trim()]] : [],
  );
  return {
    ...{ guideId, name: name.trim() },
    ...(before?.formerly ? { formerly: before.formerly } : {}),
    ...(holds.trim() ? { holds: numberOf(holds) } : {}),
    ...(Object.fromEntries(said) as { place?: string; strain?: string; until?: string; note?: string }),
  };
}

const styles = StyleSheet.create({
  form: { gap: space.m, paddingVertical: space.s },
});
