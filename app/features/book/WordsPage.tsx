import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { View } from 'react-native';
import { Box } from '../../ui/Box';
import { TextField } from '../../ui/TextField';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TermCard } from '../glossary/TermText';
import { WithGuide } from '../records/WithGuide';

/** The glossary of a guide: every term with its drawing; the one asked for comes first. */
export function WordsPage({ id, term }: { id: string; term?: string }) {
  return (
    <WithGuide id={id} what="The words">
      {({ guide }) => <Glossary guide={guide} asked={term} />}
    </WithGuide>
  );
}

function Glossary({ guide, asked }: { guide: Guide; asked?: string }) {
  const [text, setText] = useState('');
  const all = [...(guide.glossary ?? [])].sort(
    (a, b) => Number(b.id === asked) - Number(a.id === asked) || a.term.localeCompare(b.term),
  );
  const holds = (name: string) => name.toLowerCase().includes(text.trim().toLowerCase());
  const shown = all.filter(({ term, also, text: said }) => [term, said, ...(also ?? [])].some(holds));
  return (
    <Screen widest={980}>
      <View>
        <PageHeading>Glossary</PageHeading>
        <Text quiet>{guide.title}</Text>
      </View>
      {all.length === 0 ? (
        <Empty title="No words yet">This guide has no glossary.</Empty>
      ) : (
        <TextField label="Find a word" value={text} onChangeText={setText} />
      )}
      <Row gap="m">
        {shown.map((term) => (
          <Box key={term.id} fill={300} most="all">
            <TermCard guide={guide} term={term} />
          </Box>
        ))}
      </Row>
      {all.length > 0 && shown.length === 0 && <Text quiet>No word here holds that. Try fewer letters.</Text>}
    </Screen>
  );
}
