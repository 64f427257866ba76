import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { omit } from '../../lib/omit';
import { useKeptText } from '../../lib/useKeptText';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { ChangeRow } from './ChangeRow';
import { CommitField } from './CommitField';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

type Term = NonNullable<Guide['glossary']>[number];

const MOST_DRAWN = 4;

/** Words of the field, explained: each is touched wherever it stands in the guide. */
export function WordsPart({ id: draftId, draft, edit }: PartProps) {
  const [open, setOpen] = useState<string>();
  const [word, setWord] = useKeptText(`word.${draftId}`);
  const [problem, setProblem] = useState<string>();
  const terms = draft.glossary ?? [];
  const keep = (glossary: Term[]) => edit({ do: 'part', set: { glossary }, drop: [] });
  const add = () => {
    const term = word.trim();
    if (!term) return setProblem('Write the word that is explained.');
    if (terms.some((one) => one.term.toLowerCase() === term.toLowerCase())) return setProblem(`${term} is explained already.`);
    const id = freshId(term, terms);
    if (!keep([...terms, { id, term, text: 'Not explained yet.' }])) return;
    setWord('');
    setProblem(undefined);
    setOpen(id);
  };
  return (
    <>
      <Card title="A word to explain">
        <TextField
          label="Word"
          value={word}
          maxLength={200}
          onChangeText={setWord}
          onSubmitEditing={add}
          blurOnSubmit={false}
          problem={problem}
        />
        <Row>
          <Button label="Add" onPress={add} />
        </Row>
      </Card>
      <Card title="Words explained" aside={`${terms.length}`}>
        {terms.length === 0 && <Text quiet>None yet. A word explained here can be touched wherever the guide uses it.</Text>}
        {terms.map((term) => (
          <ChangeRow
            key={term.id}
            strong
            name={term.term}
            says={term.text}
            height={60}
            open={open === term.id}
            onToggle={() => setOpen(open === term.id ? undefined : term.id)}
          >
            <TermForm
              term={term}
              draft={draft}
              put={(next) => keep(terms.map((one) => (one === term ? next : one)))}
              drop={() => keep(terms.filter((one) => one !== term))}
            />
          </ChangeRow>
        ))}
      </Card>
    </>
  );
}

interface FormProps {
  term: Term;
  draft: PartProps['draft'];
  put: (next: Term) => void;
  drop: () => void;
}

function TermForm({ term, draft, put, drop }: FormProps) {
  const { figure } = term;
  const drawn = figure && 'character' in figure ? figure : undefined;
  const character = draft.characters.find(({ id }) => id === drawn?.character);
  return (
    <Stack gap="m" padY="s">
      <CommitField
        label="The word"
        value={term.term}
        maxLength={200}
        onCommit={(text) => text.trim() && put({ ...term, term: text.trim() })}
      />
      <CommitField
        label="Other words for it"
        hint="Parted by commas."
        value={(term.also ?? []).join(', ')}
        onCommit={(text) => {
          const also = text
            .split(',')
            .map((one) => one.trim())
            .filter(Boolean);
          put(also.length ? { ...term, also } : omit(term, 'also'));
        }}
      />
      <CommitField
        label="What it means"
        value={term.text}
        multiline
        maxLength={2000}
        onCommit={(text) => text.trim() && put({ ...term, text: text.trim() })}
      />
      <Picker
        label="Drawn by states of"
        items={draft.characters.filter(({ states }) => states?.length).map(({ id, label }) => ({ id, label }))}
        chosen={drawn?.character}
        onChange={(id) => {
          const own = draft.characters.find((one) => one.id === id)!;
          put({ ...term, figure: { character: id, states: own.states!.slice(0, MOST_DRAWN).map((state) => state.id) } });
        }}
        onClear={() => put(omit(term, 'figure'))}
      />
      {drawn && character?.states && (
        <ChoiceGroup
          many
          label={`States drawn, up to ${MOST_DRAWN}`}
          options={character.states}
          chosen={drawn.states}
          onChange={(states) => states.length > 0 && put({ ...term, figure: { ...drawn, states: states.slice(-MOST_DRAWN) } })}
        />
      )}
      <Row>
        <Button small kind="quiet" label="Remove" hint={`Remove: ${term.term}`} onPress={drop} />
      </Row>
    </Stack>
  );
}
