import {
  type DraftCharacter,
  isSpare,
  type Place,
  quantitiesFor,
  rangeFrom,
  ROLES,
  sayRange,
  takenAs,
} from '@plesion/core/authoring';
import type { Protocol } from '@plesion/core/guide';
import { LANDMARK_KINDS } from '@plesion/core/guide';
import { useState } from 'react';
import { omit } from '../../lib/omit';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { exchanged } from './exchanged';
import { freshId } from './freshId';
import { PLACE_WORDS, QUANTITY_WORDS } from './protocolWords';
import { RolePlaces } from './RolePlaces';
import { ShapesBetween } from './ShapesBetween';
import type { PartProps } from './WritingScreen';

interface Props {
  character: DraftCharacter;
  views: PartProps['draft']['views'];
  onChange: (character: DraftCharacter) => void;
}

/** How a character is taken on a photograph: which places, in which order, and what is worked out of them. */
export function ProtocolForm({ character, views, onChange }: Props) {
  const { protocol, kind } = character;
  const kinds = quantitiesFor(kind);
  const put = (next: Protocol) => onChange({ ...character, protocol: next });
  if (kinds.length === 0) return null;
  return (
    <Stack gap="m" role="group" aria-label={`How ${character.label} is measured`}>
      <Row align="center">
        {/* One button all along, so that the focus has where to stay. */}
        <Button
          small
          kind={protocol ? 'quiet' : 'plain'}
          label={protocol ? 'Not on photographs' : 'Measure it on photographs'}
          hint={`${protocol ? 'Not on photographs' : 'Measure it on photographs'}: ${character.label}`}
          onPress={() =>
            protocol
              ? onChange(omit(character, 'protocol') as DraftCharacter)
              : put(takenAs(character, kinds[0], views[0]?.id ?? 'whole'))
          }
        />
      </Row>
      {protocol && <Taken character={character} protocol={protocol} views={views} put={put} />}
    </Stack>
  );
}

interface TakenProps extends Omit<Props, 'onChange'> {
  protocol: Protocol;
  put: (protocol: Protocol) => void;
}

function Taken({ character, protocol, views, put }: TakenProps) {
  const { landmarks, quantity } = protocol;
  return (
    <>
      <Text strong>How it is measured on a photograph</Text>
      {views.length > 1 && (
        <ChoiceGroup
          label="The photograph shows"
          options={views.map(({ id, label }) => ({ id, label }))}
          chosen={[protocol.view]}
          onChange={([view]) => put({ ...protocol, view })}
        />
      )}
      <ChoiceGroup
        label="What is worked out"
        options={quantitiesFor(character.kind).map((id) => ({ id, label: QUANTITY_WORDS[id] }))}
        chosen={[quantity.kind]}
        onChange={([next]) => put(takenAs(character, next, protocol.view))}
      />
      <Text quiet>Places to set on it, one after the other, in words that anybody finds them by.</Text>
      {landmarks.map((place, n) => (
        <PlaceRow
          key={place.id}
          n={n}
          place={place}
          spare={isSpare(protocol, place.id)}
          onChange={(own) => put({ ...protocol, landmarks: landmarks.map((one) => (one.id === own.id ? own : one)) })}
          onGone={() => put({ ...protocol, landmarks: landmarks.filter((one) => one !== place) })}
          onUp={() => put({ ...protocol, landmarks: exchanged(landmarks, n) })}
        />
      ))}
      <CommitField
        label="Another place"
        value=""
        maxLength={200}
        blurOnSubmit={false}
        onCommit={(text) => {
          const label = text.trim();
          if (!label) return;
          put({ ...protocol, landmarks: [...landmarks, { id: freshId(label, landmarks), label, kind: 'point' }] });
        }}
      />
      {ROLES[quantity.kind].map((role) => (
        <RolePlaces key={role.key} role={role} protocol={protocol} onChange={put} />
      ))}
      {quantity.kind === 'form' && (
        <ShapesBetween quantity={quantity} onChange={(next) => put({ ...protocol, quantity: next })} />
      )}
      {quantity.kind === 'count' && quantity.axis && (
        <ChoiceGroup
          label="Counted"
          options={[
            { id: 'all', label: 'all of them' },
            { id: 'left', label: 'left of the axis' },
            { id: 'right', label: 'right of the axis' },
            { id: 'each', label: 'on each side of it' },
          ]}
          chosen={[quantity.side ?? 'all']}
          onChange={([side]: ('all' | 'left' | 'right' | 'each')[]) =>
            put({ ...protocol, quantity: side === 'all' ? (omit(quantity, 'side') as typeof quantity) : { ...quantity, side } })
          }
        />
      )}
      {protocol.states?.map((range) => (
        <RangeField
          key={range.state}
          label={character.states?.find(({ id }) => id === range.state)?.label ?? range.state}
          range={range}
          onChange={(next) =>
            put({ ...protocol, states: protocol.states!.map((one) => (one === range ? { state: range.state, ...next } : one)) })
          }
        />
      ))}
      <ChoiceGroup
        label="Measured"
        options={OFTEN}
        chosen={[String(protocol.repeats ?? 1)]}
        onChange={([times]) =>
          put(times === '1' ? (omit(protocol, 'repeats') as Protocol) : { ...protocol, repeats: Number(times) })
        }
      />
    </>
  );
}

const OFTEN = [
  { id: '1', label: 'once' },
  { id: '2', label: 'twice' },
  { id: '3', label: 'three times' },
  { id: '5', label: 'five times' },
];

interface PlaceProps {
  n: number;
  place: Place;
  spare: boolean;
  onChange: (place: Place) => void;
  onGone: () => void;
  onUp: () => void;
}

function PlaceRow({ n, place, spare, onChange, onGone, onUp }: PlaceProps) {
  return (
    <Stack gap="xs">
      <CommitField
        label={`Place ${n + 1}`}
        value={place.label}
        maxLength={200}
        onCommit={(text) => text.trim() && onChange({ ...place, label: text.trim() })}
      />
      <Row align="center">
        {spare ? (
          <ChoiceGroup
            label={`Place ${n + 1} is`}
            hideLabel
            options={LANDMARK_KINDS.map((id) => ({ id, label: PLACE_WORDS[id] }))}
            chosen={[place.kind]}
            onChange={([kind]: Place['kind'][]) => onChange({ id: place.id, label: place.label, kind })}
          />
        ) : (
          <Text size="small" quiet>
            {PLACE_WORDS[place.kind]}
          </Text>
        )}
        {place.kind === 'markers' && (
          <ChoiceGroup
            many
            label={`Found at place ${n + 1}`}
            hideLabel
            options={[{ id: 'spots', label: 'spots that the machine may look for' }]}
            chosen={place.spots ? ['spots'] : []}
            onChange={([spots]) => onChange(spots ? { ...place, spots: true } : (omit(place, 'spots') as Place))}
          />
        )}
        {n > 0 && <Button small kind="quiet" label="Earlier" hint={`Earlier: ${place.label}`} onPress={onUp} />}
        {spare && <Button small kind="quiet" label="Remove" hint={`Remove ${place.label}`} onPress={onGone} />}
      </Row>
    </Stack>
  );
}

interface RangeProps {
  label: string;
  range: { from?: number; to?: number };
  onChange: (range: { from?: number; to?: number }) => void;
}

/** What is worked out, in one of the states. */
function RangeField({ label, range, onChange }: RangeProps) {
  const [problem, setProblem] = useState<string>();
  return (
    <CommitField
      label={`It is so in ${label}`}
      hint="Such as 0.3 to 0.5, to 0.3, or 0.5 to; empty where it is not known."
      value={sayRange(range)}
      problem={problem}
      onCommit={(text) => {
        const read = rangeFrom(text);
        setProblem(read.ok ? undefined : read.problems[0].message);
        if (read.ok) onChange(read.value);
      }}
    />
  );
}
