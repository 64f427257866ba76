import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { dropGroup } from './dependence';
import type { PartProps } from './WritingScreen';

const FAR: [number, string][] = [
  [0.3, 'loosely'],
  [0.5, 'half way'],
  [0.8, 'closely'],
  [1, 'wholly'],
];

/** As words, with what a guide has beside them as its number. */
const optionsFor = (gamma: number) => {
  const own: [number, string][] = FAR.some(([known]) => known === gamma) ? [] : [[gamma, `${Math.round(100 * gamma)} in 100`]];
  return [...FAR, ...own].sort(([a], [b]) => a - b).map(([id, label]) => ({ id: String(id), label }));
};

/** Groups of characters that hang together, and how far: several of one group count as little more than one. */
export function GroupsCard({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const { dependence, characters } = draft;
  if (dependence.length === 0) return null;
  const set = (id: string, more: Partial<(typeof dependence)[number]>) =>
    edit({ do: 'part', set: { dependence: dependence.map((one) => (one.id === id ? { ...one, ...more } : one)) }, drop: [] });
  return (
    <Card title="Characters that hang together" aside={`${dependence.length}`}>
      <Text quiet>Where one follows from the other, two of them say little more than one.</Text>
      {dependence.map(({ id, label, gamma }) => (
        <Stack key={id} padY="s" ruled="above">
          <CommitField
            label={`Group: ${label}`}
            value={label}
            maxLength={200}
            onCommit={(text) => text.trim() && set(id, { label: text.trim() })}
          />
          <Text size="small">
            {characters
              .filter((one) => one.dependence === id)
              .map((one) => one.label)
              .join(', ') || 'No character is in it.'}
          </Text>
          <ChoiceGroup
            label={`How far one follows from the other: ${label}`}
            options={optionsFor(gamma)}
            chosen={[String(gamma)]}
            onChange={([to]) => set(id, { gamma: Number(to) })}
          />
          <Row>
            <Button
              small
              kind="quiet"
              label="Part them"
              hint={`Part them: ${label}`}
              onPress={() => edit(...dropGroup(draft, id))}
            />
          </Row>
        </Stack>
      ))}
    </Card>
  );
}
