import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { taxonNamed } from './ruleWords';
import type { PartProps } from './WritingScreen';

type Cost = NonNullable<Guide['costs']>[number];

/** What a new one counts as, until it is said. */
const USUAL = 10;

/** Mistakes that count for more than others: to take this kind for anything else. */
export function CostsCard({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const costs = draft.costs ?? [];
  const [problem, setProblem] = useState<{ taxon: string; message: string }>();
  const keep = (next: Cost[]) =>
    edit({ do: 'part', set: next.length ? { costs: next } : {}, drop: next.length ? [] : ['costs'] });
  const free = draft.taxa.filter(({ id }) => !costs.some(({ taxon }) => taxon === id));
  return (
    <Card title="Mistakes that weigh more" aside={costs.length ? `${costs.length}` : undefined}>
      <Text quiet>
        To call a deadly kind something else is worse than the other way about. A name is held back for longer where such a kind
        is still possible.
      </Text>
      {costs.map((cost) => {
        const put = (more: Partial<Cost>) => keep(costs.map((one) => (one === cost ? { ...one, ...more } : one)));
        const name = taxonNamed(draft, cost.taxon);
        return (
          <Row key={cost.taxon} align="end">
            <Box fill={260}>
              <CommitField
                label={`Why ${name} must not be missed`}
                value={cost.reason}
                maxLength={1000}
                onCommit={(text) => text.trim() && put({ reason: text.trim() })}
              />
            </Box>
            <CommitField
              label={`Ordinary mistakes that it counts as: ${name}`}
              value={String(cost.weight)}
              inputMode="decimal"
              problem={problem?.taxon === cost.taxon ? problem.message : undefined}
              onCommit={(text) => {
                const weight = numberOf(text);
                const right = weight !== undefined && weight >= 1 && weight <= 1000;
                setProblem(right ? undefined : { taxon: cost.taxon, message: 'Write a number from 1 to 1000.' });
                if (right) put({ weight });
              }}
            />
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove: ${name}`}
              onPress={() => keep(costs.filter((one) => one !== cost))}
            />
          </Row>
        );
      })}
      {free.length > 0 && (
        <>
          <Text size="small" strong quiet>
            Another that must not be missed
          </Text>
          <Picker
            label="Another that must not be missed"
            items={free.map(({ id, name, vernacular }) => ({ id, label: name, words: vernacular }))}
            onChange={(taxon) => keep([...costs, { taxon, weight: USUAL, reason: 'it is dangerous' }])}
          />
        </>
      )}
    </Card>
  );
}
