import { type Character, type Guide, isStates } from '@plesion/core/guide';
import { type Key, linkFor, setLink, type Statement, type StatementLink } from '@plesion/core/keys';
import { useState } from 'react';
import { Box } from '../../../ui/Box';
import { Button } from '../../../ui/Button';
import { ChoiceGroup } from '../../../ui/ChoiceGroup';
import { Row } from '../../../ui/Row';
import { Stack } from '../../../ui/Stack';
import { TextField } from '../../../ui/TextField';
import { Text } from '../../../ui/Text';

interface LinkEditorProps {
  keyed: Key;
  couplet: string;
  statement: Statement;
  guide?: Guide;
  open: boolean;
  onOpen: () => void;
  onChange: (change: (key: Key) => Key) => void;
}

/** What a statement is tied to: the states of a character, or its bounds. */
export function LinkEditor({ couplet, statement, guide, open, onOpen, onChange }: LinkEditorProps) {
  const { link, text, n } = statement;
  const character = guide?.characters.find(({ id }) => id === link?.character);
  const put = (next: StatementLink | undefined) => onChange((key) => setLink(key, couplet, n, next));
  return (
    <Stack gap="xs" padLeft="s" ruled="left" ruledIn="hairline" thick>
      <Row align="center">
        <Text size="small" fill least={120}>
          {statement.join && statement.join !== 'and' ? `${statement.join} ${text}` : text}
        </Text>
        {guide && (
          <Button
            small
            kind="quiet"
            label={character ? sayLink(character, link!) : 'tie to a character'}
            hint={`“${text}”: ${character ? sayLink(character, link!) : 'tie to a character'}`}
            onPress={onOpen}
          />
        )}
      </Row>
      {open && guide && (
        <Stack>
          <CharacterPick guide={guide} chosen={character} text={text} onPick={(next) => put(next && firstLink(next, text))} />
          {character && link && <LinkValues character={character} link={link} onChange={put} />}
        </Stack>
      )}
    </Stack>
  );
}

/** What the words say of the character, where that is clear; else an empty tie to be filled in. */
function firstLink(character: Character, text: string): StatementLink {
  const read = linkFor(character, text);
  if (read) return read;
  return isStates(character)
    ? { character: character.id, states: character.states!.slice(0, 1).map(({ id }) => id) }
    : { character: character.id };
}

function CharacterPick({
  guide,
  chosen,
  text,
  onPick,
}: {
  guide: Guide;
  chosen?: Character;
  text: string;
  onPick: (character: Character | undefined) => void;
}) {
  const [search, setSearch] = useState('');
  const words = (search || text)
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2);
  const worth = ({ label }: Character) => words.filter((word) => label.toLowerCase().includes(word.replace(/s$/, ''))).length;
  const offered = guide.characters
    .map((character) => ({ character, worth: worth(character) }))
    .filter((one) => one.worth > 0 || one.character === chosen)
    .sort((a, b) => b.worth - a.worth)
    .slice(0, 6)
    .map(({ character }) => character);
  return (
    <>
      <TextField label="Find a character" value={search} onChangeText={setSearch} />
      <ChoiceGroup
        label="Character"
        clearable
        options={offered.map(({ id, label }) => ({ id, label }))}
        chosen={chosen ? [chosen.id] : []}
        onChange={([id]) => onPick(offered.find((one) => one.id === id))}
      />
    </>
  );
}

function LinkValues({
  character,
  link,
  onChange,
}: {
  character: Character;
  link: StatementLink;
  onChange: (link: StatementLink) => void;
}) {
  const [texts, setTexts] = useState({
    low: String('low' in link ? (link.low ?? '') : ''),
    high: String('high' in link ? (link.high ?? '') : ''),
  });
  if ('states' in link) {
    return (
      <ChoiceGroup
        label="States it allows"
        many
        options={character.states ?? []}
        chosen={link.states}
        onChange={(states) => states.length && onChange({ character: character.id, states })}
      />
    );
  }
  const give = (part: Partial<typeof texts>) => {
    const next = { ...texts, ...part };
    setTexts(next);
    const bound = (text: string) => (/^-?\d*[.,]?\d+$/.test(text.trim()) ? Number(text.replace(',', '.')) : undefined);
    const [low, high] = [bound(next.low), bound(next.high)];
    onChange({ character: character.id, ...(low === undefined ? {} : { low }), ...(high === undefined ? {} : { high }) });
  };
  return (
    <Row align="center">
      <Box fill least={120}>
        <TextField
          label="from"
          inputMode="decimal"
          unit={character.unit}
          value={texts.low}
          onChangeText={(low) => give({ low })}
        />
      </Box>
      <Box fill least={120}>
        <TextField
          label="to"
          inputMode="decimal"
          unit={character.unit}
          value={texts.high}
          onChangeText={(high) => give({ high })}
        />
      </Box>
    </Row>
  );
}

function sayLink(character: Character, link: StatementLink): string {
  if ('states' in link) {
    const labels = link.states.map((id) => character.states?.find((state) => state.id === id)?.label ?? id);
    return `${character.label}: ${labels.join(' or ')}`;
  }
  const unit = character.unit ? ` ${character.unit}` : '';
  if (link.low === undefined && link.high === undefined) return `${character.label}: no bounds yet`;
  return `${character.label}: ${link.low === undefined ? `up to ${link.high}` : link.high === undefined ? `from ${link.low}` : link.low === link.high ? link.low : `${link.low}–${link.high}`}${unit}`;
}
