import type { FacetName, Form, Guide, Scope } from '@plesion/core/guide';
import { View } from 'react-native';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

/** From which texts the scores of a form came, where its guide says so: the leads of a key, a page of a book. */
export function FromTexts({ guide, form }: { guide: Guide; form: Form }) {
  const isOfIt = ({ taxon, facets = {} }: Scope) =>
    taxon === form.taxon &&
    Object.entries(facets).every(([facet, values]) => values.includes(form.facets[facet as FacetName] ?? ''));
  const noted = guide.scores.filter(({ note, scope }) => note && isOfIt(scope));
  if (noted.length === 0) return null;
  const labels = new Map(guide.characters.map(({ id, label }) => [id, label]));
  const sources = new Map(guide.sources.map(({ id, label }) => [id, label]));
  return (
    <Card title="From which texts" aside={`${noted.length}`}>
      <Disclosure title="What each score came from">
        <Stack>
          {noted.map(({ character, source, note }) => (
            <View key={`${character} ${source} ${note}`}>
              <Text size="small" strong>{`${labels.get(character) ?? character}, ${sources.get(source) ?? source}`}</Text>
              <Text size="small">{note}</Text>
            </View>
          ))}
        </Stack>
      </Disclosure>
    </Card>
  );
}
