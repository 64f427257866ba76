import type { Guide } from '@plesion/core/guide';
import { inHundred } from '@plesion/core/evidence';
import type { Couplet, Lead, LeadStanding } from '@plesion/core/keys';
import { StyleSheet, View } from 'react-native';
import { colour, space, useWide } from '../../theme/index';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { DestinationName } from '../keys/DestinationName';
import { StatementRow } from './StatementRow';
import type { OpenWalk } from './useWalk';

interface LeadCardProps {
  bench: OpenWalk;
  couplet: Couplet;
  lead: Lead;
  standing?: LeadStanding;
  guide?: Guide;
  specimen?: string;
  taken?: boolean;
  /** Number of the statement that has the keyboard. */
  chosen?: number;
  keys?: boolean;
  onTake: () => void;
}

/** A lead in full: every statement to tick, what the statements make of it, and the way on. */
export function LeadCard({ bench, couplet, lead, standing, guide, specimen, taken, chosen, keys, onTake }: LeadCardProps) {
  const found = new Map(standing?.findings.map((finding) => [finding.n, finding]));
  return (
    <Stack
      role="region"
      aria-label={`Lead ${couplet.number}${lead.id}`}
      gap="xs"
      pad="l"
      ruled="round"
      ruledIn="edge"
      round="l"
      tone="sheet"
      style={[useWide() && styles.beside, taken && styles.taken]}
    >
      <Row gap="m" align="center" justify="between" oneLine>
        <Text size="title" color={colour.kelp}>{`${couplet.number}${lead.id}`}</Text>
        {standing && <Support standing={standing} />}
      </Row>
      {lead.statements.map((statement) => (
        <StatementRow
          key={statement.n}
          bench={bench}
          couplet={couplet.id}
          statement={statement}
          guide={guide}
          finding={found.get(statement.n)}
          specimen={specimen}
          chosen={chosen === statement.n}
          keys={keys}
        />
      ))}
      <View style={styles.foot}>
        <Row align="center" shrink>
          <Text size="small" quiet>
            leads to
          </Text>
          <DestinationName guide={guide} keyed={bench.stored.key} to={lead.to} />
        </Row>
        <Button
          kind={taken ? 'plain' : 'main'}
          label={taken ? 'Taken' : `Take lead ${couplet.number}${lead.id}`}
          hint={taken ? `Taken lead ${couplet.number}${lead.id}` : undefined}
          onPress={onTake}
        />
      </View>
    </Stack>
  );
}

/** Support of a lead by its statements, as a bar to either side. */
function Support({ standing }: { standing: LeadStanding }) {
  const { support, p } = standing;
  const share = Math.min(1, Math.abs(support) / 6);
  const told = standing.findings.some(({ fit }) => fit !== undefined);
  return (
    <Row
      align="center"
      oneLine
      role="img"
      aria-label={told ? `Support ${support.toFixed(1)} bits, ${inHundred(p)}` : 'Nothing ticked yet'}
    >
      <Box wide={96} clip tall={12} round="s" tone="mist">
        <View style={styles.middle} />
        {support !== 0 && (
          <View
            style={[
              styles.bar,
              { width: `${share * 50}%` },
              support > 0 ? styles.right : styles.left,
              { backgroundColor: support > 0 ? colour.for : colour.against, borderRadius: support > 0 ? 2 : 6 },
            ]}
          />
        )}
      </Box>
      <Text size="small" figures quiet={!told} color={told ? (support >= 0 ? colour.for : colour.against) : undefined}>
        {told ? `${support > 0 ? '+' : ''}${support.toFixed(1)} bits` : 'not ticked'}
      </Text>
    </Row>
  );
}

const styles = StyleSheet.create({
  // Only side by side: down a phone it would be a height.
  beside: { flexGrow: 1, flexBasis: 280, maxWidth: '100%' },
  taken: { borderColor: colour.kelp, borderWidth: 2, padding: space.l - 1 },
  middle: { position: 'absolute', left: 47, top: 0, width: 2, height: 12, backgroundColor: colour.ink },
  bar: { position: 'absolute', top: 2, height: 8 },
  right: { left: '50%' },
  left: { right: '50%' },
  foot: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.s,
    borderTopWidth: 1,
    borderColor: colour.hairline,
    paddingTop: space.m,
    marginTop: 'auto',
  },
});
