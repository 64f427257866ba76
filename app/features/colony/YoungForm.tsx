import { RequestProblem } from '@plesion/contract';
import type { ColonyMember } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { keptOfYoung } from '@plesion/core/colony';
import type { Clutch } from '@plesion/core/colony/schema';
import type { Guide } from '@plesion/core/guide';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { individualDrafts, type Sent } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { colonyApi } from './colonyApi';
import { nextMarks } from './nextMarks';
import { useColonyForm } from './useColonyWrite';
import { shownBy } from './words';

const YoungRow = z.object({
  id: z.string(),
  label: z.string(),
  sex: z.enum(['female', 'male']).optional(),
  shows: z.record(z.string(), z.string()),
});
/** As it is typed; kept over a reload. */
const Typed = z.object({ rows: z.array(YoungRow) });
type Typed = z.output<typeof Typed>;

/** As many at once. */
const MOST = 60;

const SEXES = [
  { id: 'female', label: 'female' },
  { id: 'male', label: 'male' },
] as const;

interface Props {
  guide: Guide;
  pairing: Pairing;
  clutch: Clutch;
  members: readonly ColonyMember[];
  onDone: () => void;
}

/** The young of a clutch, written down in one go: all of them, or none. */
export function YoungForm({ guide, pairing, clutch, members, onDone }: Props) {
  const left = (clutch.young ?? 1) - members.filter(({ kept }) => kept.clutch === clutch.id).length;
  const station = useSession().station.id;
  const form = useColonyForm(pairing.guideId, {
    name: `young.${clutch.id}`,
    typed: Typed,
    first: () => ({
      rows: nextMarks(
        members.map(({ label }) => label),
        Math.min(MOST, Math.max(1, left)),
      ).map((label) => ({ id: mintId(), label, shows: {} })),
    }),
    check: (typed) =>
      Object.fromEntries(typed.rows.map(({ label }, i) => [`rows.${i}.label`, !label.trim() && 'Give it a mark or a name.'])),
    fieldOf: (path) => path.replace(/^young\[(\d+)\].*/, 'rows.$1.label'),
    async send(typed): Promise<Sent> {
      const young = typed.rows.map(({ id, label, sex, shows }) => ({
        ...{ id, label: label.trim(), phenotypes: shows },
        ...(sex ? { sex } : {}),
      }));
      try {
        await colonyApi('writeYoung', { params: { id: pairing.id }, body: { clutch: clutch.id, young } });
        return 'saved';
      } catch (error) {
        if (!(error instanceof RequestProblem) || error.status !== 0) throw error;
        // Without a connection each waits on this device.
        for (const { id, label, ...one } of young) {
          const kept = keptOfYoung(pairing, clutch, one);
          individualDrafts.startDraft(station, id, { version: 0, guideId: pairing.guideId, label, hidden: false, kept });
        }
        return 'kept-here';
      }
    },
    onSent: onDone,
  });
  const { control, change } = form;
  const { rows } = form.typed;
  const set = (i: number, part: Partial<(typeof rows)[number]>) =>
    change({ rows: rows.map((row, k) => (k === i ? { ...row, ...part } : row)) });
  return (
    <Form submit={form.submit}>
      {rows.map((row, i) => (
        <Row key={row.id} gap="m" padTop="s" ruled="above">
          <Box fill={160}>
            <FormTextField control={control} name={`rows.${i}.label`} label={`Mark of young ${i + 1}`} />
          </Box>
          <ChoiceGroup
            label={`Young ${i + 1} is a`}
            options={SEXES}
            chosen={row.sex ? [row.sex] : []}
            clearable
            onChange={([sex]) => set(i, { sex })}
          />
          {shownBy(guide).map(({ id, label, states }) => (
            <Stack key={id} gap="xs" shrink>
              <Text size="small" strong quiet>
                {label}
              </Text>
              <Picker
                label={`The ${label} of young ${i + 1}`}
                items={states}
                chosen={row.shows[id]}
                onChange={(state) => set(i, { shows: { ...row.shows, [id]: state } })}
                onClear={() => set(i, { shows: Object.fromEntries(Object.entries(row.shows).filter(([other]) => other !== id)) })}
              />
            </Stack>
          ))}
        </Row>
      ))}
      <Row justify="end">
        {rows.length > 1 && <Button small label="One less" onPress={() => change({ rows: rows.slice(0, -1) })} />}
        {rows.length < MOST && (
          <Button
            small
            label="One more"
            onPress={() => {
              const taken = [...members.map(({ label }) => label), ...rows.map(({ label }) => label)];
              change({ rows: [...rows, { id: mintId(), label: nextMarks(taken, 1)[0], shows: {} }] });
            }}
          />
        )}
      </Row>
      <FormEnd
        form={form}
        label={`Write ${rows.length === 1 ? 'it' : `all ${rows.length}`} down`}
        leave={{ label: 'Not now', onLeave: onDone }}
      />
    </Form>
  );
}
