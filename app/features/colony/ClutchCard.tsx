import type { ColonyMember } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { isOpen } from '@plesion/core/colony';
import type { Clutch } from '@plesion/core/colony/schema';
import { dayAfter } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { isDay } from './words';
import { YoungForm } from './YoungForm';

interface Props {
  guide: Guide;
  pairing: Pairing;
  clutch: Clutch;
  members: readonly ColonyMember[];
  /** Days to hatching, where the guide says it. */
  incubation?: number;
  busy: boolean;
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
function dayProblem(day: string, first: string, what: string): string | undefined {
  if (!isDay(day)) return 'Write the day as YYYY-MM-DD.';
  return day < first ? `${what} on ${sayDate(first)}.` : undefined;
}

const Hatching = z.object({ hatched: z.string(), young: z.string(), lost: z.string() });
const Laying = z.object({ laid: z.string(), eggs: z.string() });

/** A clutch: what is due, what hatched, and its young in the book. */
export function ClutchCard({ guide, pairing, clutch, members, incubation, busy, onChange, onRemove }: Props) {
  // Not forgotten once it is taken: what was taken back is there to be put right.
  const [{ hatched, young, lost }, type] = useKeptState(`clutch.${clutch.id}`, Hatching, {
    ...{ hatched: today(), young: '', lost: '' },
  });
  const [ringing, setRinging] = useState(false);
  const own = members.filter(({ kept }) => kept.clutch === clutch.id);
  const due = incubation === undefined ? undefined : dayAfter(clutch.laid, incubation);
  const [many, gone] = [whole(young), whole(lost)];
  const tooMany = (many ?? 0) + (gone ?? 0) > clutch.eggs;
  const problem = (value: number | undefined) =>
    Number.isNaN(value)
      ? 'Write a whole number.'
      : tooMany
        ? `There were ${clutch.eggs} eggs; hatched and lost come to more.`
        : undefined;
  const wrongDay = dayProblem(hatched, clutch.laid, 'It was laid');
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
        <Stack>
          <Row gap="m">
            <View style={styles.field}>
              <TextField
                label="Hatched on"
                value={hatched}
                onChangeText={(text) => type({ hatched: text })}
                hint="As YYYY-MM-DD."
                problem={wrongDay}
              />
            </View>
            <View style={styles.field}>
              <TextField
                label="Young"
                value={young}
                onChangeText={(text) => type({ young: text })}
                inputMode="numeric"
                problem={problem(many)}
              />
            </View>
            <View style={styles.field}>
              <TextField
                label="Eggs lost"
                value={lost}
                onChangeText={(text) => type({ lost: text })}
                inputMode="numeric"
                problem={problem(gone)}
              />
            </View>
          </Row>
          <Row justify="end">
            <Button small label="Remove this clutch" onPress={onRemove} />
            <Button small label="All lost" busy={busy} onPress={() => onChange({ ...clutch, lost: clutch.eggs })} />
            <Button
              kind="main"
              label="It hatched"
              busy={busy}
              disabled={Boolean(wrongDay) || tooMany || Number.isNaN(many) || Number.isNaN(gone)}
              onPress={() =>
                onChange({
                  ...clutch,
                  hatched,
                  ...(many === undefined ? {} : { young: many }),
                  ...(gone === undefined ? {} : { lost: gone }),
                })
              }
            />
          </Row>
        </Stack>
      )}
      {own.length > 0 && (
        <Text quiet>{`In the book: ${own.length}${clutch.young === undefined ? '' : ` of ${clutch.young}`}`}</Text>
      )}
      <Row gap="m">
        {own.map(({ id, name }) => (
          <LinkBox key={id} href={`/field/colony/${id}`} style={styles.kin}>
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

/** A laying to write down. */
export function NewClutch({ pairing, busy, onAdd }: { pairing: Pairing; busy: boolean; onAdd: (clutch: Clutch) => void }) {
  const next = `laying.${pairing.id}.${pairing.clutches.length}`;
  const [{ laid, eggs }, type] = useKeptState(next, Laying, { laid: today(), eggs: '' });
  const [tried, setTried] = useState(false);
  const many = whole(eggs);
  const wrongDay = dayProblem(laid, pairing.from, 'They were put together');
  return (
    <Card title="A clutch">
      <Row gap="m">
        <View style={styles.field}>
          <TextField
            label="Laid on"
            value={laid}
            onChangeText={(text) => type({ laid: text })}
            hint="As YYYY-MM-DD."
            problem={tried ? wrongDay : undefined}
          />
        </View>
        <View style={styles.field}>
          <TextField
            label="Eggs"
            value={eggs}
            onChangeText={(text) => type({ eggs: text })}
            inputMode="numeric"
            problem={tried && !many ? 'Write how many there are.' : undefined}
          />
        </View>
      </Row>
      <Row justify="end">
        <Button
          label="Write the clutch down"
          busy={busy}
          onPress={() => {
            setTried(true);
            if (many && !wrongDay) onAdd({ id: mintId(), laid, eggs: many });
          }}
        />
      </Row>
    </Card>
  );
}

const styles = StyleSheet.create({
  field: { flexGrow: 1, flexBasis: 130 },
  kin: { justifyContent: 'center', flexShrink: 1, alignSelf: 'flex-start' },
});
