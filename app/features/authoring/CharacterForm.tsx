import { type DraftCharacter, isOnPlate, withRanges } from '@plesion/core/authoring';
import { CHARACTER_GROUPS, HANDLING } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { omit } from '../../lib/omit';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { lazyPart } from '../../ui/lazyPart';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { statesFrom } from './characterWords';
import { oneGroup } from './dependence';
import { CommitField } from './CommitField';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

interface Props {
  character: DraftCharacter;
  draft: PartProps['draft'];
  edit: PartProps['edit'];
  onGone: () => void;
}

/** What draws comes when a character is opened. */
const StateLooks = lazyPart(
  () => import('./StateLooks'),
  (part) => part.StateLooks,
);
const OnPlate = lazyPart(
  () => import('./OnPlate'),
  (part) => part.OnPlate,
);
const ProtocolForm = lazyPart(
  () => import('./ProtocolForm'),
  (part) => part.ProtocolForm,
);

/** Of no group: no id begins so. */
const NONE = '-';

/** One character: its states or unit, from where it is seen, how near one must come, how long it takes. */
export function CharacterForm({ character, draft, edit, onGone }: Props) {
  const [problem, setProblem] = useState<{ of: string; says: string }>();
  const put = (more: Partial<DraftCharacter>) => edit({ do: 'character', character: withRanges({ ...character, ...more }) });
  const number = (of: 'error' | 'seconds') => (text: string) => {
    const value = Number(text.replace(',', '.'));
    if (!(value > 0)) return setProblem({ of, says: 'Write a number above 0.' });
    setProblem(undefined);
    put({ [of]: value });
  };
  const { states, counts, kind } = character;
  const stated = kind === 'nominal' || kind === 'ordered';
  // What the body plan draws needs no tiles of its own; those it has go before.
  const onPlateOnly = isOnPlate(draft, character.id) && !states?.some(({ tile }) => tile);
  const at = (of: string) => (problem?.of === of ? problem.says : undefined);
  return (
    <Stack gap="m" padY="s">
      <CommitField
        label="What it is"
        value={character.label}
        maxLength={200}
        onCommit={(label) => label.trim() && put({ label: label.trim() })}
      />
      {stated && (
        <>
          {(states ?? []).map((state) => (
            <CommitField
              key={state.id}
              label={`State: ${state.label}`}
              value={state.label}
              maxLength={200}
              onCommit={(label) =>
                label.trim() &&
                put({ states: states!.map((one) => (one.id === state.id ? { ...one, label: label.trim() } : one)) })
              }
            />
          ))}
          <CommitField
            label="All its states"
            hint="Parted by commas, in their order. One that is taken out goes from the scores as well."
            value={(states ?? []).map(({ label }) => label).join(', ')}
            onCommit={(text) => put({ states: statesFrom(text, states ?? []) })}
          />
          {states && states.length > 0 && !onPlateOnly && (
            <Suspense fallback={<Loading what="How they are drawn" />}>
              <StateLooks character={character} figures={draft.figures ?? []} onChange={(drawn) => put({ states: drawn })} />
            </Suspense>
          )}
        </>
      )}
      {draft.plan && (
        <Suspense fallback={<Loading what="What it shows on the plates" />}>
          <OnPlate character={character} draft={draft} edit={edit} />
        </Suspense>
      )}
      {kind === 'count' && (
        <CommitField
          label="Counted from, to"
          value={counts ? `${counts.from}, ${counts.to}` : ''}
          problem={at('counts')}
          onCommit={(text) => {
            const [from, to] = text.split(/\s*(?:,|–|-|to)\s*/).map(Number);
            if (!(Number.isInteger(from) && Number.isInteger(to) && from >= 0 && to > from && to <= 500))
              return setProblem({ of: 'counts', says: 'Write two whole numbers up to 500, such as 0, 20.' });
            setProblem(undefined);
            put({ counts: { from, to } });
          }}
        />
      )}
      {!stated && kind !== 'count' && (
        <>
          <CommitField
            label="Unit"
            value={character.unit ?? ''}
            maxLength={12}
            onCommit={(unit) =>
              edit({
                do: 'character',
                character: unit.trim() ? { ...character, unit: unit.trim() } : (omit(character, 'unit') as DraftCharacter),
              })
            }
          />
          <CommitField
            label="Usual error of one careful measurement"
            value={String(character.error ?? '')}
            problem={at('error')}
            onCommit={number('error')}
          />
        </>
      )}
      <CommitField
        label="What to look at, and how"
        value={character.help ?? ''}
        multiline
        maxLength={4000}
        onCommit={(help) => put({ help })}
      />
      <ChoiceGroup
        label="It is of"
        options={CHARACTER_GROUPS.map((id) => ({ id, label: id }))}
        chosen={[character.group]}
        onChange={([group]: (typeof CHARACTER_GROUPS)[number][]) => put({ group })}
      />
      <ChoiceGroup
        many
        label="Seen from"
        options={draft.views.map(({ id, label }) => ({ id, label }))}
        chosen={character.views}
        onChange={(views) => put({ views })}
      />
      <CommitField
        label="Another view"
        value=""
        maxLength={200}
        hint="Such as from above; it is then there for all characters."
        onCommit={(text) => {
          const label = text.trim();
          if (!label) return;
          const view = { id: freshId(label, draft.views), label };
          edit(
            { do: 'part', set: { views: [...draft.views, view] }, drop: [] },
            { do: 'character', character: { ...character, views: [...character.views, view.id] } },
          );
        }}
      />
      <ChoiceGroup
        label="To see it, one must"
        options={HANDLING.map((id) => ({ id, label: id === 'instrument' ? 'use an instrument' : id }))}
        chosen={[character.handling]}
        onChange={([handling]: (typeof HANDLING)[number][]) => put({ handling })}
      />
      <ChoiceGroup
        label="Light"
        options={[
          { id: 'any', label: 'any will do' },
          { id: 'fair', label: 'wants fair light' },
        ]}
        chosen={[character.needsLight ? 'fair' : 'any']}
        onChange={([which]) => put({ needsLight: which === 'fair' })}
      />
      <CommitField
        label="Seconds it takes"
        value={String(character.seconds)}
        problem={at('seconds')}
        onCommit={number('seconds')}
      />
      <Suspense fallback={<Loading what="How it is measured" />}>
        <ProtocolForm character={character} views={draft.views} onChange={(next) => edit({ do: 'character', character: next })} />
      </Suspense>
      {draft.dependence.length > 0 && (
        <ChoiceGroup
          label="Hangs together with"
          options={[{ id: NONE, label: 'no other' }, ...draft.dependence.map(({ id, label }) => ({ id, label }))]}
          chosen={[character.dependence ?? NONE]}
          onChange={([group]) =>
            group === NONE
              ? edit({ do: 'character', character: omit(character, 'dependence') as DraftCharacter })
              : put({ dependence: group })
          }
        />
      )}
      <Picker
        label="Group it with another character"
        items={draft.characters.filter(({ id }) => id !== character.id).map(({ id, label }) => ({ id, label }))}
        onChange={(other) => edit(...oneGroup(draft, [character.id, other]))}
      />
      <Row align="center">
        <Button
          small
          kind="quiet"
          label="Remove"
          hint={`Remove: ${character.label}, with all that is scored of it`}
          onPress={() => edit({ do: 'dropCharacter', id: character.id }) && onGone()}
        />
        <Text size="small" quiet>
          {`Known as ${character.id}.`}
        </Text>
      </Row>
    </Stack>
  );
}
