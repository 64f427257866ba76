import type { ColonyMember } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { isOpen } from '@plesion/core/colony';
import type { Clutch } from '@plesion/core/colony/schema';
import { dayAfter } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { numberOf } from '../../lib/numberOf';
import type { Wrongs } from '../../lib/useKeptForm';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import type { Sent } from '../records/bookDrafts';
import { useColonyForm } from './useColonyWrite';
import { wrongDay } from './words';
import { YoungForm } from './YoungForm';

interface Props {
  guide: Guide;
  pairing: Pairing;
  clutch: Clutch;
  members: readonly ColonyMember[];
  /** Days to hatching, where the guide says it. */
  incubation?: number;
  busy: boolean;
  /** What the form says of it. */
  onHatched: (clutch: Clutch) => Promise<Sent>;
  onChange: (clutch: Clutch) => void;
  onRemove: () => void;
}

/** A whole number that was typed; undefined for nothing, NaN for what is none. */
const whole = (text: string): number | undefined => {
  if (!text.trim()) return undefined;
  const value = numberOf(text);
  return value !== undefined && Number.isInteger(value) && value >= 0 ? value : NaN;
};

/** What is wrong with a day: it is none, or before what it follows. */
const dayAfterAll = (day: string, first: string, what: string): string | undefined =>
  wrongDay(day) ?? (day < first ? `${what} on ${sayDate(first)}.` : undefined);

/** As they are typed; kept over a reload. */
const Hatching = z.object({ hatched: z.string(), young: z.string(), lost: z.string() });
type Hatching = z.infer<typeof Hatching>;
const Laying = z.object({ laid: z.string(), eggs: z.string() });

function hatchingProblems({ hatched, young, lost }: Hatching, { laid, eggs }: Clutch): Wrongs<Hatching> {
  const counts = { young: whole(young), lost: whole(lost) };
  const tooMany = (counts.young ?? 0) + (counts.lost ?? 0) > eggs;
  const wrong = (value: number | undefined) =>
    Number.isNaN(value)
      ? 'Write a whole number.'
      : tooMany && `There ${eggs === 1 ? 'was one egg' : `were ${eggs} eggs`}; hatched and lost come to more.`;
  return { hatched: dayAfterAll(hatched, laid, 'It was laid'), young: wrong(counts.young), lost: wrong(counts.lost) };
}

/** A clutch: what is due, what hatched, and its young in the book. */
export function ClutchCard({ guide, pairing, clutch, members, incubation, busy, onHatched, onChange, onRemove }: Props) {
  // What was typed stays while the card does: a hatching that is taken back is there to be put right.
  const form = useColonyForm(pairing.guideId, {
    name: `clutch.${clutch.id}`,
    typed: Hatching,
    first: () => ({ hatched: today(), young: '', lost: '' }),
    check: (typed) => hatchingProblems(typed, clutch),
    send({ hatched, young, lost }) {
      const [many, gone] = [whole(young), whole(lost)];
      return onHatched({
        ...clutch,
        hatched,
        ...(many === undefined ? {} : { young: many }),
        ...(gone === undefined ? {} : { lost: gone }),
      });
    },
  });
  const [ringing, setRinging] = useState(false);
  const own = members.filter(({ kept }) => kept.clutch === clutch.id);
  const due = incubation === undefined ? undefined : dayAfter(clutch.laid, incubation);
  const said = [
    `${clutch.eggs} ${clutch.eggs === 1 ? 'egg' : 'eggs'}`,
    clutch.hatched ? `hatched ${sayDate(clutch.hatched)}` : isOpen(clutch) ? due && `due ${sayDate(due)}` : 'all lost',
    clutch.young !== undefined && `${clutch.young} young`,
    clutch.lost ? `${clutch.lost} lost` : undefined,
  ];
  return (
    <Card title={`Laid ${sayDate(clutch.laid)}`}>
      <Text>{said.filter(Boolean).join(' · ')}</Text>
      {clutch.note && <Text quiet>{clutch.note}</Text>}
      {isOpen(clutch) && (
        <Form submit={form.submit} gap="s">
          <Row gap="m">
            <Box fill={130}>
              <FormTextField control={form.control} name="hatched" label="Hatched on" hint="As YYYY-MM-DD." />
            </Box>
            <Box fill={130}>
              <FormTextField control={form.control} name="young" label="Young" inputMode="numeric" />
            </Box>
            <Box fill={130}>
              <FormTextField control={form.control} name="lost" label="Eggs lost" inputMode="numeric" />
            </Box>
          </Row>
          <FormEnd form={{ ...form, busy: busy || form.busy }} label="It hatched">
            <Button small label="Remove this clutch" onPress={onRemove} />
            <Button small label="All lost" busy={busy} onPress={() => onChange({ ...clutch, lost: clutch.eggs })} />
          </FormEnd>
        </Form>
      )}
      {own.length > 0 && (
        <Text quiet>{`In the book: ${own.length}${clutch.young === undefined ? '' : ` of ${clutch.young}`}`}</Text>
      )}
      <Row gap="m">
        {own.map(({ id, name }) => (
          <LinkBox key={id} href={`/field/colony/${id}`} justify="center" shrink self="start">
            <Text color={colour.kelp}>{name}</Text>
          </LinkBox>
        ))}
      </Row>
      {clutch.hatched &&
        (ringing ? (
          <YoungForm {...{ guide, pairing, clutch, members }} onDone={() => setRinging(false)} />
        ) : (
          <Row justify="end">
            <Button
              small
              label="Not hatched after all"
              onPress={() => onChange({ id: clutch.id, laid: clutch.laid, eggs: clutch.eggs })}
            />
            <Button label="Write its young down" onPress={() => setRinging(true)} />
          </Row>
        ))}
    </Card>
  );
}

interface NewClutchProps {
  pairing: Pairing;
  onAdd: (clutch: Clutch) => Promise<Sent>;
}

/** A laying to write down. */
export function NewClutch({ pairing, onAdd }: NewClutchProps) {
  const form = useColonyForm(pairing.guideId, {
    name: `laying.${pairing.id}.${pairing.clutches.length}`,
    typed: Laying,
    first: () => ({ laid: today(), eggs: '' }),
    check: ({ laid, eggs }) => ({
      laid: dayAfterAll(laid, pairing.from, 'They were put together'),
      eggs: !whole(eggs) && 'Write how many there are.',
    }),
    send: ({ laid, eggs }) => onAdd({ id: mintId(), laid, eggs: whole(eggs)! }),
  });
  return (
    <Card title="A clutch">
      <Form submit={form.submit} gap="s">
        <Row gap="m">
          <Box fill={130}>
            <FormTextField control={form.control} name="laid" label="Laid on" hint="As YYYY-MM-DD." />
          </Box>
          <Box fill={130}>
            <FormTextField control={form.control} name="eggs" label="Eggs" inputMode="numeric" />
          </Box>
        </Row>
        <FormEnd form={form} plain label="Write the clutch down" />
      </Form>
    </Card>
  );
}
