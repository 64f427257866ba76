import { CERTAINTIES, type Certainty } from '@plesion/core/observation';
import { inHundred } from '@plesion/core/evidence';
import { coupletIndex, type LeadStanding } from '@plesion/core/keys';
import { useState } from 'react';
import { View } from 'react-native';
import { useWide } from '../../theme/index';
import { Announce } from '../../ui/Announce';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { forking, noting, taking } from './answering';
import { CERTAINTY_LABELS } from '../records/situationText';
import { LeadCard } from './LeadCard';
import type { OpenWalk } from './useWalk';

interface CoupletPanelProps {
  bench: OpenWalk;
  couplet: string;
  specimen?: string;
  certainty: Certainty;
  onCertainty: (certainty: Certainty) => void;
  chosen?: number;
  keys?: boolean;
}

/** The couplet to decide: its leads in full, how to prepare for it, and the ways out of doubt. */
export function CoupletPanel({ bench, couplet: id, specimen, certainty, onCertainty, chosen, keys }: CoupletPanelProps) {
  const wide = useWide();
  const couplet = coupletIndex(bench.stored.key).get(id)!;
  const said = bench.kept.answers.find((answer) => answer.couplet === id);
  const [open, setOpen] = useState(Boolean(said?.note));
  const step = bench.result.trail.find((one) => one.couplet === id);
  const standings = bench.result.at === id ? bench.result.here : step?.leads;
  const guide = bench.guide?.guide;
  return (
    <Stack gap="m">
      <Announce>{saySupport(standings)}</Announce>
      <Row align="center" justify="between" oneLine gap="none">
        <View aria-live="polite">
          <Text size="title" heading={2}>{`Couplet ${couplet.number}`}</Text>
        </View>
        {step && <Button small kind="quiet" label="Decide it anew" onPress={() => bench.reopen(id)} />}
      </Row>
      {couplet.prepare && (
        <Notice kind="note" title="Before you look">
          {couplet.prepare}
        </Notice>
      )}
      <Box across={wide} align="stretch" gap="m">
        {couplet.leads.map((lead) => (
          <LeadCard
            key={lead.id}
            bench={bench}
            couplet={couplet}
            lead={lead}
            standing={standings?.find((one) => one.lead === lead.id)}
            guide={guide}
            specimen={specimen}
            taken={step?.lead === lead.id}
            chosen={chosen}
            keys={keys}
            onTake={() => bench.answer(id, taking(lead.id, certainty))}
          />
        ))}
      </Box>
      <Row gap="m" align="end" justify="between">
        <ChoiceGroup
          label="How sure is the decision"
          options={CERTAINTIES.map((one) => ({ id: one, label: CERTAINTY_LABELS[one] }))}
          chosen={[certainty]}
          onChange={([next]) => onCertainty(next)}
        />
        <Row most="all">
          <Button
            label={keys ? 'Can’t decide: both ways (Q)' : 'Can’t decide: go both ways'}
            onPress={() => bench.answer(id, forking())}
          />
          {!open && <Button kind="quiet" label="Note" hint={`Note on couplet ${couplet.number}`} onPress={() => setOpen(true)} />}
        </Row>
      </Row>
      {step?.forked && <ForkWeights bench={bench} couplet={id} />}
      {couplet.note && (
        <Box ruled="left" ruledIn="hairline" thick padLeft="m">
          <Text size="small" quiet>
            {couplet.note}
          </Text>
        </Box>
      )}
      {open && (
        <TextField
          label={`Note on couplet ${couplet.number}`}
          value={said?.note ?? ''}
          maxLength={2000}
          multiline
          onChangeText={(note) => bench.answer(id, noting(note))}
        />
      )}
    </Stack>
  );
}

/** What was ticked says for each lead. */
const saySupport = (standings: readonly LeadStanding[] = []): string =>
  standings
    .filter(({ findings }) => findings.some(({ fit }) => fit !== undefined))
    .map(({ lead, support, p }) => `Lead ${lead}: ${support.toFixed(1)} bits, ${inHundred(p)}`)
    .join('. ');

/** How a fork is weighed: by what was ticked, or as the person leans. */
function ForkWeights({ bench, couplet }: { bench: OpenWalk; couplet: string }) {
  const step = bench.result.trail.find((one) => one.couplet === couplet)!;
  const said = bench.kept.answers.find((answer) => answer.couplet === couplet);
  const leans = step.leads.map(({ lead }, i) => ({
    id: lead,
    label: `rather ${lead}`,
    fork: step.leads.map((_, k) => (k === i ? 2 : 1)),
  }));
  const chosen = Array.isArray(said?.fork)
    ? (leans.find(({ fork }) => JSON.stringify(fork) === JSON.stringify(said.fork))?.id ?? 'even')
    : 'ticks';
  const even = step.leads.map(() => 1);
  return (
    <ChoiceGroup
      label="Both ways, weighed"
      options={[{ id: 'ticks', label: 'by what is ticked' }, { id: 'even', label: 'evenly' }, ...leans]}
      chosen={[chosen]}
      onChange={([id]) =>
        bench.answer(couplet, forking(id === 'ticks' ? true : (leans.find((lean) => lean.id === id)?.fork ?? even)))
      }
    />
  );
}
