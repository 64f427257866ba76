import type { Guide } from '@plesion/core/guide';
import {
  type Finding,
  onlyQuantity,
  type Statement,
  STATEMENT_ANSWERS,
  type StatementAnswer,
  unclearIn,
} from '@plesion/core/keys';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Option, Options } from '../../ui/Options';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TermText } from '../glossary/TermText';
import { ticking } from './answering';
import { MeasureStatement } from './MeasureStatement';
import type { OpenWalk } from './useWalk';

export const ANSWER_LABELS: Record<StatementAnswer, string> = {
  fits: 'fits',
  'does-not': 'does not',
  'in-part': 'in part',
  'cannot-see': 'can’t see',
};

interface StatementRowProps {
  bench: OpenWalk;
  couplet: string;
  statement: Statement;
  guide?: Guide;
  finding?: Finding;
  /** The specimen that answers now, in a lot. */
  specimen?: string;
  /** It has the keyboard. */
  chosen?: boolean;
  keys?: boolean;
}

/** One statement of a lead: its words with terms to look up, the four answers, and what readings say. */
export function StatementRow({ bench, couplet, statement, guide, finding, specimen, chosen, keys }: StatementRowProps) {
  const [measuring, setMeasuring] = useState(false);
  const ticked = finding?.from === 'person' ? finding.answer : undefined;
  // How to bring into sight what is hard to see.
  const character = guide?.characters.find(({ id }) => id === statement.link?.character);
  const help = character?.help;
  const withheld = bench.withheld(statement);
  const numeric = statement.link ? !('states' in statement.link) : onlyQuantity(statement.text) !== undefined;
  return (
    <Stack padX="xs" padY="s" ruled="above" ruledIn="hairline" {...(chosen && CHOSEN)}>
      <Row gap="xs" align="start" oneLine>
        <Stack gap="hair" fill>
          {statement.join && statement.join !== 'and' && (
            <Text size="small" strong quiet>
              {statement.join}
            </Text>
          )}
          <TermText guide={guide} text={statement.text} />
          {finding && <FindingLine finding={finding} bench={bench} />}
          {!statement.link &&
            unclearIn(statement.text).map(({ text, why }) => (
              <Text key={text} size="small" quiet>
                {`“${text}” ${why}, so it cannot be measured against; tick what you see.`}
              </Text>
            ))}
          {withheld && (
            <Text size="small" color={colour.hazard}>
              Needs closeness: withheld while a dangerous one is possible. Say “can’t see”, or read it from a photograph.
            </Text>
          )}
          {finding?.answer === 'cannot-see' && help && (
            <Text size="small" quiet>
              {help}
            </Text>
          )}
        </Stack>
        {numeric && !withheld && (
          <Button
            small
            kind="quiet"
            label={measuring ? 'Hide' : 'Measure'}
            hint={`Measure: ${statement.text}`}
            onPress={() => setMeasuring(!measuring)}
          />
        )}
      </Row>
      <Options label={statement.text} gap="xs" across>
        {STATEMENT_ANSWERS.map((answer) => (
          <Tick
            key={answer}
            answer={answer}
            off={withheld && answer !== 'cannot-see'}
            on={ticked === answer}
            silent={finding?.from === 'reading' && finding.answer === answer}
            onPress={() => bench.answer(couplet, ticking(statement.n, ticked === answer ? undefined : answer, specimen))}
          />
        ))}
      </Options>
      {measuring && <MeasureStatement bench={bench} couplet={couplet} statement={statement} guide={guide} specimen={specimen} />}
      {chosen && keys && (
        <Text size="small" quiet>
          F fits · D does not · P in part · V can’t see
        </Text>
      )}
    </Stack>
  );
}

function FindingLine({ finding, bench }: { finding: Finding; bench: OpenWalk }) {
  const at = bench.specimens.findIndex(({ id }) => id === finding.specimen);
  const where = bench.lot && at >= 0 ? `on no. ${at + 1}` : '';
  const said = finding.said ?? (finding.from === 'person' ? '' : 'read already');
  if (!where && !said) return null;
  return (
    <Text
      size="small"
      color={finding.answer === 'does-not' ? colour.against : finding.answer === 'fits' ? colour.for : colour.quiet}
    >
      {[said, where].filter(Boolean).join(', ')}
    </Text>
  );
}

const SIGNS: Record<StatementAnswer, string> = { fits: '✓', 'does-not': '✕', 'in-part': '◐', 'cannot-see': '⊘' };

interface TickProps {
  answer: StatementAnswer;
  on: boolean;
  /** Said by a reading, not by the person. */
  silent: boolean;
  off: boolean;
  onPress: () => void;
}

function Tick({ answer, on, silent, off, onPress }: TickProps) {
  const color = answer === 'fits' ? colour.for : answer === 'does-not' ? colour.against : colour.quiet;
  return (
    <Option
      on={on || silent}
      label={ANSWER_LABELS[answer]}
      off={off}
      onPress={onPress}
      style={[
        styles.tick,
        off && styles.off,
        silent && styles.silent,
        on && {
          borderColor: color,
          borderWidth: 2,
          backgroundColor: answer === 'fits' ? colour.forWash : answer === 'does-not' ? colour.againstWash : colour.mist,
        },
      ]}
    >
      <Text size="small" strong color={on || silent ? color : colour.quiet} aria-hidden>
        {SIGNS[answer]}
      </Text>
      <Text size="small" strong={on} color={on || silent ? color : colour.ink} tight>
        {ANSWER_LABELS[answer]}
      </Text>
    </Option>
  );
}

const CHOSEN = { tone: 'kelpWash', round: 's' } as const;

const styles = StyleSheet.create({
  tick: {
    minHeight: TOUCH,
    minWidth: 66,
    flexGrow: 1,
    flexBasis: 66,
    maxWidth: 104,
    paddingHorizontal: space.xs,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: radius.s,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
  },
  off: { opacity: 0.4 },
  silent: { borderStyle: 'dashed', borderColor: colour.quiet },
});
