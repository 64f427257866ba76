import { RANKS } from '@plesion/core/guide';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

type Treatment = NonNullable<PartProps['draft']['treatments']>[number];

/** Ways to name the same forms: which taxa each sinks into what stands above them, and which it calls otherwise. */
export function TreatmentsCard({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const all = draft.treatments ?? [];
  const keep = (treatments: Treatment[]) =>
    edit({ do: 'part', set: treatments.length ? { treatments } : {}, drop: treatments.length ? [] : ['treatments'] });
  const below = draft.taxa.filter(({ parent, rank }) => parent && RANKS.indexOf(rank) >= RANKS.indexOf('species'));
  return (
    <Card title="Other ways to name them" aside={all.length ? `${all.length}` : undefined}>
      <Text quiet>
        Where authors differ on what is a species of its own. Whoever uses the guide chooses whose names are in force.
      </Text>
      {all.map((one) => {
        const put = (more: Partial<Treatment>) => keep(all.map((own) => (own === one ? { ...own, ...more } : own)));
        return (
          <Stack key={one.id} padY="s" ruled="above">
            <CommitField
              label={`Whose names: ${one.label}`}
              value={one.label}
              maxLength={200}
              onCommit={(text) => text.trim() && put({ label: text.trim() })}
            />
            <CommitField
              label="What it says"
              value={one.explanation}
              multiline
              maxLength={4000}
              onCommit={(explanation) => put({ explanation })}
            />
            {below.length > 0 && (
              <ChoiceGroup
                many
                label="Taken for one with what stands above"
                options={below.map(({ id, name }) => ({ id, label: name }))}
                chosen={one.sinks}
                onChange={(sinks) => put({ sinks })}
              />
            )}
            <Renames draft={draft} treatment={one} onChange={(renames) => put({ renames })} />
            <Row>
              <Button
                small
                kind="quiet"
                label="Remove"
                hint={`Remove: ${one.label}`}
                onPress={() => keep(all.filter((own) => own !== one))}
              />
            </Row>
          </Stack>
        );
      })}
      <CommitField
        label="Another way to name them"
        hint="By whom, such as a revision."
        value=""
        maxLength={200}
        onCommit={(text) => {
          const label = text.trim();
          if (label) keep([...all, { id: freshId(label, all), label, explanation: '', sinks: [] }]);
        }}
      />
    </Card>
  );
}

type Taxa = Pick<PartProps['draft'], 'taxa'>;

const sayRenames = ({ taxa }: Taxa, { renames = {} }: Treatment): string =>
  Object.entries(renames)
    .map(([id, name]) => `${taxa.find((one) => one.id === id)?.name ?? id} = ${name}`)
    .join('\n');

interface RenamesProps {
  draft: Taxa;
  treatment: Treatment;
  onChange: (renames: Record<string, string>) => void;
}

/** What is called otherwise, a line for each; a line that names no taxon is not taken, and says so. */
function Renames({ draft, treatment, onChange }: RenamesProps) {
  const [problem, setProblem] = useState<string>();
  const commit = (text: string) => {
    const renames: Record<string, string> = {};
    for (const line of text.split('\n').filter((one) => one.trim())) {
      const [here, there] = line.split('=').map((part) => part.trim());
      const taxon = draft.taxa.find(({ name }) => name.toLowerCase() === here.toLowerCase());
      if (!taxon || !there) return setProblem(`“${line.trim()}” was not taken: write a name of this guide = a name.`);
      renames[taxon.id] = there;
    }
    setProblem(undefined);
    onChange(renames);
  };
  return (
    <CommitField
      label="Called otherwise"
      hint="A line for each: the name here = the name there."
      value={sayRenames(draft, treatment)}
      multiline
      problem={problem}
      onCommit={commit}
    />
  );
}
