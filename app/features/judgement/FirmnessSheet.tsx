import type { Standing } from '@plesion/core/evidence';
import type { Reading } from '@plesion/core/observation';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Notice } from '../../ui/Notice';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { NotAmongDangerous } from './DangerNotice';
import { Bar } from '../../ui/Bar';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

interface FirmnessSheetProps {
  guide: Guide;
  answer: Standing;
  readings: readonly Reading[];
  onOpen: (character: string) => void;
}

const MOST = 5;

/** How firmly the leader stands: what one wrong reading would do, how well it fits, what contradicts, what to distrust. */
export function FirmnessSheet({ guide, answer, readings, onOpen }: FirmnessSheetProps) {
  const { robustness, fit, traps } = answer;
  const labelOf = (index: number) => guide.characters.find(({ id }) => id === readings[index]?.character)?.label ?? 'a reading';
  const weakest = [...robustness.without].sort((a, b) => a.p - b.p).slice(0, MOST);
  if (readings.length === 0) return null;
  return (
    <Card title="How firmly it stands" aside={`${robustness.independent} independent for it`}>
      <Text size="small" testID="firmness">
        {robustness.text}
      </Text>
      {weakest.length > 1 && (
        <Stack gap="hair" role="group" aria-label="Without each reading">
          {weakest.map(({ reading, p, leader, label }) => (
            <PressBox
              key={reading}
              role="button"
              onPress={() => readings[reading] && onOpen(readings[reading].character)}
              gap="s"
              align="center"
              leastTall={32}
              across
              oneLine
              accessibilityLabel={`Without ${labelOf(reading)}: ${leader === robustness.group ? inHundred(p) : label}`}
            >
              <Text size="small" quiet share={1.3}>
                {`without ${labelOf(reading).toLowerCase()}`}
              </Text>
              <Bar fill part={p} tone="for" />
              <Text size="small" strong={leader !== robustness.group} wide={104} set="right" figures>
                {leader === robustness.group ? inHundred(p) : `then ${shortLabel(label)}`}
              </Text>
            </PressBox>
          ))}
        </Stack>
      )}
      {fit.poor ? (
        <Notice kind="problem" title="It does not fit well">
          {fit.text}
        </Notice>
      ) : (
        <Text size="small" quiet>
          {fit.text}
        </Text>
      )}
      {robustness.contradictions.map(({ readings: [a, b], kind }) => (
        <Notice key={`${a} ${b}`} kind="note" title="Two readings contradict each other">
          {kind === 'same-mark'
            ? `Two looks at the ${labelOf(a).toLowerCase()} say different things. Look a third time.`
            : `The ${labelOf(a).toLowerCase()} and the ${labelOf(b).toLowerCase()} pull hard in opposite directions. One of them may be misread, or it is a cross.`}
        </Notice>
      ))}
      {traps.length > 0 && (
        <Stack>
          {traps.map((trap) => (
            <Row key={trap.character} align="center" oneLine>
              <Box padX="s" ruled="round" ruledIn="against" thick dashed round="s">
                <Text size="small" strong color={colour.against}>
                  trap
                </Text>
              </Box>
              <Text size="small" fill>
                {trap.text}
              </Text>
            </Row>
          ))}
        </Stack>
      )}
      <Crosses guide={guide} answer={answer} />
      <NotAmongDangerous guide={guide} answer={answer} />
    </Card>
  );
}

function Crosses({ guide, answer }: { guide: Guide; answer: Standing }) {
  const nameOf = (id: string) =>
    answer.taxa.find(({ taxon }) => taxon === id)?.name ?? guide.taxa.find((t) => t.id === id)?.name ?? id;
  return answer.crosses
    .filter(({ p }) => p >= 0.02)
    .map(({ taxon, parents, p, share, spread }) => (
      <Text key={taxon} size="small">
        {`A cross is possible, ${inHundred(p)}: ${Math.round(share * 100)} ± ${Math.round(spread * 100)} in 100 of ${nameOf(parents[0])}, the rest of ${nameOf(parents[1])}.`}
      </Text>
    ));
}

const shortLabel = (label: string) => label.replace(/^(\p{L})\p{L}+ /u, '$1. ');
