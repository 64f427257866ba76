import type { Standing } from '@plesion/core/evidence';
import { CERTAINTIES, type Reading, type Situation } from '@plesion/core/observation';
import { type Character, type Guide, isValue, type Judgement } from '@plesion/core/guide';
import type { Href } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { ComparisonEntry } from '../reading/ComparisonEntry';
import { MeasureGuide } from '../reading/MeasureGuide';
import { RangeStrips } from '../reading/RangeStrips';
import { StateTiles } from '../reading/StateTiles';
import { takesCalliper } from '../reading/calliper';
import { CalliperPanel } from '../reading/CalliperPanel';
import { CERTAINTY_LABELS } from '../records/situationText';
import { ValueEntry } from '../reading/ValueEntry';

interface CharacterEditorProps {
  guide: Guide;
  character: Character;
  answer?: Standing;
  /** Where it is seen and how it is judged, for what the forms measure there. */
  setting?: { situation: Situation; judgement?: Judgement };
  /** The look being edited; none yet for a character not looked at. */
  reading?: Reading;
  /** What was just given, marked until another character comes in its place. */
  given?: Reading;
  onPut: (reading: Reading) => void;
  onClear: (id: string | undefined) => void;
  onLookAgain: () => void;
  /** Show the keys that answer. */
  keys?: boolean;
  /** Where it is measured on a photo, where there is one. */
  way?: { href: Href; label: string };
  /** Room for the measuring plate; none is shown without it. */
  plateWidth?: number;
}

const HIDDEN_BECAUSE = ['wrong view', 'covered', 'broken off', 'no time'];

/** Everything that can be said of one character on one specimen. */
export function CharacterEditor({
  guide,
  character,
  answer,
  setting,
  reading,
  given,
  onPut,
  onClear,
  onLookAgain,
  keys,
  way,
  plateWidth,
}: CharacterEditorProps) {
  const [several, setSeveral] = useState((reading?.states?.length ?? 0) > 1);
  const [fresh] = useState(() => mintId());
  const id = reading?.id ?? fresh;
  const kept = { id, character: character.id, ...(reading?.certainty ? { certainty: reading.certainty } : {}) };
  const seen = reading && (reading.status ?? 'seen') === 'seen';
  const leader = answer?.forms[0].form;
  const aside = answer?.setAside.find((one) => one.character === character.id);
  return (
    <Stack gap="m">
      {aside && (
        <Notice
          kind={aside.because === 'danger' ? 'caution' : 'note'}
          title={aside.because === 'danger' ? 'Withheld' : 'Set aside'}
        >
          {aside.because === 'danger' ? (answer?.withheld.reason ?? aside.text) : `This character ${aside.text}.`}
        </Notice>
      )}
      {character.help && <Text quiet>{character.help}</Text>}
      {way && (
        <LinkBox href={way.href} justify="center" self="start" padX="l" ruled="round" ruledIn="kelp" thick round="m">
          <Text strong color={colour.kelp}>
            {way.label}
          </Text>
        </LinkBox>
      )}
      {isValue(character) ? (
        <>
          {plateWidth && leader && <MeasureGuide guide={guide} form={leader} character={character} width={plateWidth} />}
          <ValueEntry
            character={character}
            reading={seen ? reading : undefined}
            onGive={(given) => (given ? onPut({ ...kept, ...given }) : onClear(reading?.id))}
          />
          {leader && takesCalliper(character) && (
            <CalliperPanel guide={guide} form={leader} character={character} onTake={(value) => onPut({ ...kept, value })} />
          )}
          {answer && (
            <RangeStrips
              guide={guide}
              character={character}
              answer={answer}
              {...setting}
              value={seen ? (reading.value ?? ratioValue(reading)) : undefined}
            />
          )}
          <Row gap="xs">
            <Button
              small
              label={reading?.status === 'not-visible' ? 'Not visible ✓' : 'Not visible'}
              onPress={() => onPut({ id, character: character.id, status: 'not-visible' })}
            />
          </Row>
        </>
      ) : (
        <StateTiles
          guide={guide}
          character={character}
          reading={reading ?? given}
          several={several}
          keys={keys}
          onStates={(states) => onPut({ ...kept, states })}
          onCount={(value) => onPut({ ...kept, value })}
          onUnseen={() => onPut({ id, character: character.id, status: 'not-visible' })}
        />
      )}
      {reading?.status && reading.status !== 'seen' && (
        <Stack>
          <ChoiceGroup
            label="Why"
            clearable
            options={HIDDEN_BECAUSE.map((why) => ({ id: why, label: why }))}
            chosen={reading.reason && HIDDEN_BECAUSE.includes(reading.reason) ? [reading.reason] : []}
            onChange={([reason]) => onPut({ ...reading, reason })}
          />
          <TextField
            label="or in your words"
            value={reading.reason ?? ''}
            maxLength={400}
            onChangeText={(reason) => onPut({ ...reading, reason: reason || undefined })}
          />
        </Stack>
      )}
      {seen && (
        <ChoiceGroup
          label="How certain"
          options={CERTAINTIES.map((c) => ({ id: c, label: CERTAINTY_LABELS[c] }))}
          chosen={[reading.certainty ?? 'sure']}
          onChange={([certainty]) => onPut({ ...reading, certainty })}
        />
      )}
      {(isValue(character) || character.kind === 'ordered') && (
        <ComparisonEntry
          key={`compared ${character.id}`}
          guide={guide}
          character={character}
          reading={seen ? reading : undefined}
          onCompare={(comparison) => onPut({ ...kept, comparison })}
        />
      )}
      <Row gap="xs">
        {character.states && (
          <Button
            small
            kind="quiet"
            label={several ? 'Only one of these' : 'Cannot choose between two'}
            onPress={() => setSeveral(!several)}
          />
        )}
        <Button
          small
          kind="quiet"
          label="Does not apply"
          onPress={() => onPut({ id, character: character.id, status: 'does-not-apply' })}
        />
        {seen && (
          <Button
            small
            kind="quiet"
            label="Look again"
            hint="Look again: a second, fresh look at the same character"
            onPress={onLookAgain}
          />
        )}
        {reading && (
          <Button small kind="quiet" label="Clear" hint={`Clear ${character.label}`} onPress={() => onClear(reading.id)} />
        )}
      </Row>
    </Stack>
  );
}

const ratioValue = (reading: Reading) => (reading.parts ? reading.parts.numerator / reading.parts.denominator : undefined);
