import { useMemo, useState } from 'react';
import type { DraftCharacter, Edit } from '@plesion/core/authoring';
import { CHARACTER_KINDS } from '@plesion/core/guide';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { BodyPlanCard } from './BodyPlanCard';
import { ChangeRow } from './ChangeRow';
import { CharacterForm } from './CharacterForm';
import { drawnByWords } from './drawnByWords';
import { KIND_WORDS, type Kind, statesFrom } from './characterWords';
import { GroupsCard } from './GroupsCard';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

/** What kinds are told apart by. */
export function CharactersPart({ id, draft, edit, sought }: PartProps) {
  const [open, setOpen] = useState(sought?.character);
  const proposed = useMemo(
    () =>
      draft.characters.flatMap((character): Edit[] => {
        const states = drawnByWords(character);
        return states ? [{ do: 'character', character: { ...character, states } }] : [];
      }),
    [draft.characters],
  );
  return (
    <>
      <AddCharacter id={id} draft={draft} edit={edit} />
      <BodyPlanCard draft={draft} edit={edit} />
      <Card title="Characters" aside={`${draft.characters.length}`}>
        {proposed.length > 0 && (
          <Row>
            <Button small label={`Draw what the words of ${sayCount(proposed.length)} say`} onPress={() => edit(...proposed)} />
          </Row>
        )}
        {draft.characters.length === 0 && <Text quiet>None yet: write the first one above.</Text>}
        {draft.characters.map((character) => (
          <ChangeRow
            key={character.id}
            strong
            name={character.label}
            says={sayCharacter(character)}
            height={60}
            open={open === character.id}
            sought={sought?.character === character.id}
            onToggle={() => setOpen(open === character.id ? undefined : character.id)}
          >
            <CharacterForm character={character} draft={draft} edit={edit} onGone={() => setOpen(undefined)} />
          </ChangeRow>
        ))}
      </Card>
      <GroupsCard draft={draft} edit={edit} />
    </>
  );
}

const sayCount = (count: number): string => (count === 1 ? 'one character' : `${count} characters`);

const sayCharacter = ({ kind, states, unit, counts }: DraftCharacter): string =>
  states?.length
    ? states.map(({ label }) => label).join('; ')
    : [KIND_WORDS[kind], unit, counts && `${counts.from} to ${counts.to}`].filter(Boolean).join(', ');

const Typed = z.object({ label: z.string(), kind: z.enum(CHARACTER_KINDS), more: z.string() });
type Typed = z.infer<typeof Typed>;

function AddCharacter({ id: draftId, draft, edit }: Pick<PartProps, 'id' | 'draft' | 'edit'>) {
  const [typed, change, forget] = useKeptState<Typed>(`character.${draftId}`, Typed, { label: '', kind: 'nominal', more: '' });
  const { label, kind, more } = typed;
  const [problem, setProblem] = useState<string>();
  const stated = kind === 'nominal' || kind === 'ordered';
  const add = () => {
    const own = label.trim();
    if (!own) return setProblem('Write what it is, such as Legs.');
    const states = stated ? statesFrom(more, []) : undefined;
    if (states && states.length < 2) return setProblem('Write two states at the least, parted by commas.');
    const character: DraftCharacter = {
      ...{
        id: freshId(own, draft.characters),
        label: own,
        kind,
        group: 'shape',
        views: draft.views.slice(0, 1).map(({ id }) => id),
      },
      ...{ handling: 'look', distance: 'near', needsLight: false, seconds: 5 },
      ...(states ? { states } : {}),
      ...(kind === 'count' ? { counts: { from: 0, to: 20 } } : {}),
      ...(kind === 'measurement' ? { unit: more.trim() || 'mm', error: 0.1 } : {}),
      ...(kind === 'ratio' || kind === 'angle'
        ? { error: kind === 'ratio' ? 0.02 : 2, ...(kind === 'angle' ? { unit: '°' } : {}) }
        : {}),
    };
    if (!edit({ do: 'character', character })) return;
    change({ label: '', more: '' });
    forget();
    setProblem(undefined);
  };
  return (
    <Card title="Write one down">
      <TextField
        label="What it is"
        value={label}
        maxLength={200}
        onChangeText={(next) => change({ label: next })}
        problem={problem}
      />
      <ChoiceGroup
        label="It is told by"
        options={(Object.keys(KIND_WORDS) as Kind[]).map((id) => ({ id, label: KIND_WORDS[id] }))}
        chosen={[kind]}
        onChange={([next]: Kind[]) => change({ kind: next })}
      />
      {stated && (
        <TextField
          label="States"
          hint="Parted by commas: red, black, hardly to be seen."
          value={more}
          onChangeText={(next) => change({ more: next })}
          onSubmitEditing={add}
          blurOnSubmit={false}
        />
      )}
      {kind === 'measurement' && (
        <TextField
          label="Unit"
          value={more}
          placeholder="mm"
          onChangeText={(next) => change({ more: next })}
          onSubmitEditing={add}
        />
      )}
      <Row>
        <Button label="Add" onPress={add} />
      </Row>
    </Card>
  );
}
