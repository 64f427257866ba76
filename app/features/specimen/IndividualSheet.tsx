import type { SpecimenWrite } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';
import { omit } from '../../lib/omit';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import type { Draft } from '../records/draft';

interface Props {
  guideId: string;
  content: SpecimenWrite;
  onChange: Draft['change'];
}

/** Of which individual of the keeper's book a specimen is; nothing where none is kept by its guide. */
export function IndividualSheet({ guideId, content, onChange }: Props) {
  const { data } = useQuery({
    queryKey: ['individual', 'of', guideId],
    queryFn: ({ signal }) => api('individuals', { query: { guideId } }, signal),
  });
  if (!data?.individuals.length) return null;
  const { individualId } = content;
  const label = data.individuals.find(({ id }) => id === individualId)?.label ?? 'the book';
  return (
    <Card title="Of which individual">
      <Text quiet>What the individual turns out to be then holds for all its specimens, the earlier ones as well.</Text>
      {individualId && (
        <LinkBox href={`/field/colony/${individualId}`}>
          <Text color={colour.kelp}>{`To ${label}`}</Text>
        </LinkBox>
      )}
      <Disclosure title={individualId ? 'Another, or none' : 'Say which'}>
        <Picker
          label="Individual"
          items={data.individuals.map((one) => ({ id: one.id, label: one.label }))}
          chosen={individualId}
          onChange={(id) => onChange((now) => ({ ...now, individualId: id }))}
          onClear={() => onChange((now) => omit(now, 'individualId'))}
        />
      </Disclosure>
    </Card>
  );
}
