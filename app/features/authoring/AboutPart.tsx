import type { Edit } from '@plesion/core/authoring';
import { FACETS, type FacetName } from '@plesion/core/guide';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { freshId } from './freshId';
import { SourcesCard } from './SourcesCard';
import type { PartProps } from './WritingScreen';

type Head = Extract<Edit, { do: 'head' }>['set'];

const FIELDS: { name: keyof Head; label: string; hint?: string; multiline?: boolean; maxLength: number }[] = [
  { name: 'title', label: 'Title', maxLength: 200 },
  { name: 'group', label: 'Group', hint: 'Of which animals or plants it is.', maxLength: 200 },
  { name: 'area', label: 'Area', hint: 'Where it holds.', maxLength: 200 },
  { name: 'summary', label: 'Summary', multiline: true, maxLength: 4000 },
  {
    name: 'caution',
    label: 'Caution',
    hint: 'What is not to be done on its word alone, such as to touch, keep or eat. It stays in sight.',
    multiline: true,
    maxLength: 4000,
  },
];
const FACET_LABELS: Record<FacetName, string> = { stage: 'Stages', sex: 'Sexes', morph: 'Morphs', season: 'Seasons' };

/** Of what the guide is, where it holds, and what is told apart beside the kind. */
export function AboutPart({ id, draft, edit }: PartProps) {
  return (
    <>
      <Card title="The guide">
        {FIELDS.map(({ name, ...field }) => (
          <CommitField
            key={name}
            {...field}
            value={draft[name]}
            onCommit={(text) => edit({ do: 'head', set: { [name]: text } })}
          />
        ))}
      </Card>
      <Card title="Told apart beside the kind">
        <Text quiet>Names parted by commas, such as female, male. Which kinds have them is said with each kind.</Text>
        {FACETS.map((facet) => (
          <CommitField
            key={facet}
            label={FACET_LABELS[facet]}
            value={(draft.facets[facet] ?? []).map(({ label }) => label).join(', ')}
            onCommit={(text) => edit({ do: 'facet', facet, values: valuesOf(text, draft.facets[facet] ?? []) })}
          />
        ))}
      </Card>
      <SourcesCard id={id} draft={draft} edit={edit} />
    </>
  );
}

/** Values by their names; those that were there keep their ids. */
function valuesOf(text: string, known: readonly { id: string; label: string }[]): { id: string; label: string }[] {
  const made: { id: string; label: string }[] = [];
  for (const label of text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)) {
    if (made.some((one) => one.label === label)) continue;
    made.push({ id: known.find((one) => one.label === label)?.id ?? freshId(label, [...known, ...made]), label });
  }
  return made;
}
