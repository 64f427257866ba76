import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { KnownField } from './KnownField';
import { useKept } from './useKept';
import { isDay } from './words';

interface Props {
  guideId: string;
  member: ColonyMember;
  /** Pens of the book, by name. */
  pens: readonly string[];
}

/** Moved to another pen, weighed, how it is: written in a line each, and what came before stays. */
export function CareCard(props: Props) {
  const [written, setWritten] = useState(0);
  return <CareLine key={written} {...props} onDone={() => setWritten(written + 1)} />;
}

const Line = z.object({ on: z.string(), pen: z.string(), grams: z.string(), condition: z.string() });

/** The next line; half typed, it is there again after a reload. */
function CareLine({ guideId, member, pens, onDone }: Props & { onDone: () => void }) {
  const { kept } = member;
  const [{ on, pen, grams, condition }, change, forget] = useKeptState(`care.${member.id}`, Line, {
    on: today(),
    pen: '',
    grams: '',
    condition: kept.condition ?? '',
  });
  const { write, busy, problem, setProblem, at } = useKept(guideId, member, () => {
    forget();
    onDone();
  });
  const weight = numberOf(grams);
  const weighs = grams.trim() === '' || (weight !== undefined && weight > 0);
  const changes: Partial<Kept> = {
    ...(pen.trim() ? { pen: pen.trim(), moves: [...(kept.moves ?? []), { on, pen: pen.trim() }] } : {}),
    ...(weight ? { weights: [...(kept.weights ?? []), { on, grams: weight }] } : {}),
    ...(condition.trim() !== (kept.condition ?? '') ? { condition: condition.trim() || undefined } : {}),
  };
  const submit = () => {
    if (!isDay(on)) return setProblem({ field: 'on', message: 'Write the day as YYYY-MM-DD.' });
    if (!weighs) return setProblem({ field: 'grams', message: 'Write the weight in grams.' });
    write(changes);
  };
  const lines = [
    ...(kept.moves ?? []).map((move) => ({ on: move.on, says: `moved to ${move.pen}` })),
    ...(kept.weights ?? []).map((one) => ({ on: one.on, says: `${one.grams} g` })),
  ].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  return (
    <Card title="Care">
      <Row gap="m">
        <View style={styles.field}>
          <TextField
            label="On"
            value={on}
            onChangeText={(text) => change({ on: text })}
            hint="As YYYY-MM-DD."
            problem={at('on')}
          />
        </View>
        <View style={styles.field}>
          <KnownField
            label="Moved to"
            value={pen}
            onChange={(text) => change({ pen: text })}
            known={pens.filter((one) => one !== kept.pen)}
            hint={kept.pen ? `Now in ${kept.pen}.` : undefined}
          />
        </View>
        <View style={styles.field}>
          <TextField
            label="Weight, g"
            value={grams}
            onChangeText={(text) => change({ grams: text })}
            inputMode="decimal"
            problem={at('grams')}
          />
        </View>
      </Row>
      <TextField
        label="How it is"
        value={condition}
        onChangeText={(text) => change({ condition: text })}
        multiline
        problem={at('kept.condition')}
      />
      {problem && !['on', 'grams', 'kept.condition'].includes(problem.field ?? '') && (
        <Notice kind="problem">{problem.message}</Notice>
      )}
      <Row justify="end">
        <Button label="Write the line" busy={busy} disabled={!Object.keys(changes).length && weighs} onPress={submit} />
      </Row>
      {lines.length > 0 && (
        <Disclosure title={`Lines so far (${lines.length})`}>
          {lines.map((line, i) => (
            <Text key={i} size="small">{`${sayDate(line.on)}: ${line.says}`}</Text>
          ))}
        </Disclosure>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  field: { flexGrow: 1, flexBasis: 110 },
});
