import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { numberOf } from '../../lib/numberOf';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { KnownField } from './KnownField';
import { useColonyForm } from './useColonyWrite';
import { useSendKept } from './useKept';
import { wrongDay } from './words';

interface Props {
  guideId: string;
  member: ColonyMember;
  /** Pens of the book, by name. */
  pens: readonly string[];
}

/** As it is typed; kept over a reload. */
const Line = z.object({ on: z.string(), pen: z.string(), grams: z.string(), condition: z.string() });
type Line = z.infer<typeof Line>;

/** Moved to another pen, weighed, how it is: written in a line each, and what came before stays. */
export function CareCard({ guideId, member, pens }: Props) {
  const { kept } = member;
  const sendKept = useSendKept(guideId, member);
  const form = useColonyForm(guideId, {
    name: `care.${member.id}`,
    typed: Line,
    first: () => ({ on: today(), pen: '', grams: '', condition: kept.condition ?? '' }),
    check: ({ on, grams }) => ({ on: wrongDay(on), grams: weightOf(grams) === 'none' && 'Write the weight in grams.' }),
    send: (typed) => sendKept(changesOf(typed, kept)),
    onSent({ condition }) {
      form.begin({ condition });
    },
  });
  const { control, typed } = form;
  const lines = [
    ...(kept.moves ?? []).map((move) => ({ on: move.on, says: `moved to ${move.pen}` })),
    ...(kept.weights ?? []).map((one) => ({ on: one.on, says: `${one.grams} g` })),
  ].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  return (
    <Card title="Care">
      <Form submit={form.submit}>
        <Row gap="m">
          <Box fill={110}>
            <FormTextField control={control} name="on" label="On" hint="As YYYY-MM-DD." />
          </Box>
          <Box fill={110}>
            <KnownField
              control={control}
              name="pen"
              label="Moved to"
              known={pens.filter((one) => one !== kept.pen)}
              hint={kept.pen ? `Now in ${kept.pen}.` : undefined}
            />
          </Box>
          <Box fill={110}>
            <FormTextField control={control} name="grams" label="Weight, g" inputMode="decimal" />
          </Box>
        </Row>
        <FormTextField control={control} name="condition" label="How it is" multiline />
        <FormEnd
          form={form}
          plain
          label="Write the line"
          disabled={!Object.keys(changesOf(typed, kept)).length && weightOf(typed.grams) !== 'none'}
        />
      </Form>
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

/** The weight that is typed; undefined for nothing, `none` for what is no weight. */
function weightOf(grams: string): number | 'none' | undefined {
  if (grams.trim() === '') return undefined;
  const weight = numberOf(grams);
  return weight !== undefined && weight > 0 ? weight : 'none';
}

/** What a line changes. */
function changesOf({ on, pen, grams, condition }: Line, kept: Kept): Partial<Kept> {
  const weight = weightOf(grams);
  return {
    ...(pen.trim() ? { pen: pen.trim(), moves: [...(kept.moves ?? []), { on, pen: pen.trim() }] } : {}),
    ...(typeof weight === 'number' ? { weights: [...(kept.weights ?? []), { on, grams: weight }] } : {}),
    ...(condition.trim() !== (kept.condition ?? '') ? { condition: condition.trim() || undefined } : {}),
  };
}
