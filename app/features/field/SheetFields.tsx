import { CONDITIONS, RELEASE_WORDS, RELEASES, SEX_METHODS, SEXES } from '@plesion/core/fieldwork';
import { type Character, formsOf, type Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';
import { AddPhotos } from '../photos/AddPhotos';
import { Photo } from '../../ui/Photo';
import { Stack } from '../../ui/Stack';
import { usePhotoUri } from '../photos/usePhotoUri';
import { CalliperPanel } from '../reading/CalliperPanel';
import { type Guides, KindField } from './KindField';
import { NameField } from './NameField';
import { NaturalMarksField } from './NaturalMarksField';
import { ParentsField } from './ParentsField';
import { PositionField } from './PositionField';
import { isWanted, type Typed } from './typed';
import type { Field } from './useField';

interface SheetFieldsProps {
  field: Field;
  guide: Guide;
  often: ReadonlyMap<string, number>;
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  /** What is wrong with a field. */
  says: (field: string) => string | undefined;
  /** Absent where the catch is already of one. */
  guides?: Guides;
}

/** What the station's sheet asks of a catch, in its order. */
export function SheetFields({ field, guide, often, typed, change, says, guides }: SheetFieldsProps) {
  const wanted = isWanted(typed.what);
  const asked = field.sheet.fields.map((one) => one.field);
  if (!wanted)
    return (
      <Stack gap="m">
        <NameField name={typed.name} onName={(name) => change({ name })} problem={says('name')} />
        {asked.includes('note') && <Note typed={typed} change={change} />}
      </Stack>
    );
  return (
    <Stack gap="m">
      {(asked.includes('kind') ? asked : ['kind', ...asked]).map((name) => (
        <Stack key={name} gap="xs">
          <OneField name={name} {...{ field, guide, often, typed, change, says, guides }} />
          {says(name) && !TOLD_BY_FIELD.includes(name) && !name.startsWith('reading:') && (
            <Text role="alert" size="small" color={colour.hazard}>
              {says(name)}
            </Text>
          )}
        </Stack>
      ))}
    </Stack>
  );
}

/** Text fields that say themselves what is wrong. */
const TOLD_BY_FIELD = ['mass', 'note'];

function OneField({ name, field, guide, often, typed, change, says, guides }: SheetFieldsProps & { name: string }) {
  const family = field.families.find(({ id }) => id === field.sheet.family);
  switch (name) {
    case 'kind':
      return (
        <KindField guide={guide} often={often} chosen={typed.taxon} onChange={(taxon) => change({ taxon })} guides={guides} />
      );
    case 'age':
      return (
        <ChoiceGroup
          label="Age"
          clearable
          options={(family?.codes ?? []).map(({ code }) => ({ id: code, label: code }))}
          chosen={typed.age ? [typed.age] : []}
          onChange={([age]) => change({ age })}
        />
      );
    case 'sex':
      return (
        <ChoiceGroup
          label="Sex"
          clearable
          options={SEXES.map((id) => ({ id, label: id }))}
          chosen={typed.sex ? [typed.sex] : []}
          onChange={([sex]) => change({ sex, ...(sex === 'unknown' ? { sexBy: undefined } : {}) })}
        />
      );
    case 'sexBy':
      return typed.sex && typed.sex !== 'unknown' ? (
        <ChoiceGroup
          label="Sex told by"
          clearable
          options={SEX_METHODS.map((id) => ({ id, label: id.replace('-', ' ') }))}
          chosen={typed.sexBy ? [typed.sexBy] : []}
          onChange={([sexBy]) => change({ sexBy })}
        />
      ) : null;
    case 'condition':
      return (
        <ChoiceGroup
          label="Condition"
          clearable
          options={CONDITIONS.map((id) => ({ id, label: id }))}
          chosen={typed.condition ? [typed.condition] : []}
          onChange={([condition]) => change({ condition })}
        />
      );
    case 'mass':
      return (
        <TextField
          label="Weight"
          unit="g"
          value={typed.mass}
          onChangeText={(mass) => change({ mass })}
          inputMode="decimal"
          problem={says('mass')}
        />
      );
    case 'naturalMarks':
      return (
        <NaturalMarksField
          guide={guide}
          taxon={typed.taxon}
          marks={typed.naturalMarks}
          onChange={(naturalMarks) => change({ naturalMarks })}
        />
      );
    case 'parents':
      return <ParentsField mother={typed.mother} father={typed.father} brood={typed.brood} onChange={change} says={says} />;
    case 'release':
      return (
        <ChoiceGroup
          label="Release"
          clearable
          options={RELEASES.map((id) => ({ id, label: RELEASE_WORDS[id] }))}
          chosen={typed.release ? [typed.release] : []}
          onChange={([release]) => change({ release })}
        />
      );
    case 'position':
      return <PositionField fix={typed.position} onFix={(position) => change({ position })} />;
    case 'photo':
      return <PhotoField hash={typed.photo} onPhoto={(photo) => change({ photo })} />;
    case 'note':
      return <Note typed={typed} change={change} />;
    default: {
      const character = guide.characters.find(({ id }) => `reading:${id}` === name);
      return character ? <ReadingField {...{ character, guide, typed, change }} problem={says(name)} /> : null;
    }
  }
}

interface ReadingFieldProps {
  character: Character;
  guide: Guide;
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  problem?: string;
}

function ReadingField({ character, guide, typed, change, problem }: ReadingFieldProps) {
  const { id, label, states, unit } = character;
  if (states)
    return (
      <ChoiceGroup
        label={label}
        many
        options={states}
        chosen={typed.states[id] ?? []}
        onChange={(chosen) => change({ states: { ...typed.states, [id]: chosen } })}
      />
    );
  const set = (text: string) => change({ values: { ...typed.values, [id]: text } });
  // A practice calliper is put to one of the kind.
  const form = guide.taxa.some(({ id: taxon }) => taxon === typed.taxon) ? typed.taxon : undefined;
  return (
    <Stack gap="xs">
      <TextField
        label={label}
        unit={unit}
        value={typed.values[id] ?? ''}
        onChangeText={set}
        inputMode="decimal"
        problem={problem}
      />
      {form && unit && (
        <CalliperPanel
          guide={guide}
          form={formFor(guide, form)}
          character={character}
          onTake={(value) => set(String(Math.round(value)))}
        />
      )}
    </Stack>
  );
}

/** The first form of a taxon. */
const formFor = (guide: Guide, taxon: string): string => formsOf(guide).find(({ taxon: own }) => own === taxon)?.id ?? taxon;

const Note = ({ typed, change }: Pick<SheetFieldsProps, 'typed' | 'change'>) => (
  <TextField label="Note" value={typed.note} onChangeText={(note) => change({ note })} multiline maxLength={2000} />
);

const Kept = ({ hash }: { hash: string }) => (
  <Photo source={{ uri: usePhotoUri(hash, 'thumb') }} accessibilityLabel="Photo of the catch" wide={140} tall={105} round="m" />
);

function PhotoField({ hash, onPhoto }: { hash?: string; onPhoto: (hash: string) => void }) {
  return (
    <Stack gap="xs">
      {hash && <Kept hash={hash} />}
      <AddPhotos has={Boolean(hash)} onPhoto={onPhoto} />
    </Stack>
  );
}
