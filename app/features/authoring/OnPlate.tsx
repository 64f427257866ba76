import { type DraftCharacter, offPlate, onPlate, stateOnPlate, suits } from '@plesion/core/authoring';
import type { Character } from '@plesion/core/guide';
import { type Plan, traitOf, wordFor } from '@plesion/core/plates';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Options } from '../../ui/Options';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { PlateView } from '../plates/PlateView';
import { planOf } from '../records/plans';
import { TileOption } from './TileOption';
import { useBodyPlan } from './useBodyPlan';
import type { PartProps } from './WritingScreen';

interface Props extends Pick<PartProps, 'draft' | 'edit'> {
  character: DraftCharacter;
}

const SIZE = 64;
const wordsOf = (id: string): string => id.replaceAll('-', ' ');

/** Where a character shows on the plates of the guide's body plan, and as what each of its states is drawn there. */
export function OnPlate({ character, draft, edit }: Props) {
  const plan = useBodyPlan(draft);
  if (!plan) return <Loading what="What it shows on the plates" />;
  const { vocabulary } = plan;
  const trait = traitOf(draft, vocabulary, character.id);
  const known = trait === undefined ? undefined : vocabulary[trait];
  return (
    <Stack>
      <Text size="small" strong quiet>
        What it shows on the plates
      </Text>
      <Picker
        label="What it shows on the plates"
        items={Object.entries(vocabulary)
          .filter(([, one]) => suits(character, one))
          .map(([id]) => ({ id, label: wordsOf(id) }))}
        chosen={trait}
        onChange={(next) => edit(...onPlate(draft, character, { id: next, known: vocabulary[next], place: plan.places[next] }))}
        onClear={() => edit(...offPlate(draft, character))}
      />
      {known && 'from' in known && (
        <Text
          size="small"
          quiet
        >{`Drawn from ${known.from} to ${known.to}; what lies beyond is drawn as the nearest of them.`}</Text>
      )}
      {trait && known && !('from' in known) && <Words {...{ character, draft, edit, plan, trait, known }} />}
    </Stack>
  );
}

interface WordsProps extends Props {
  plan: Plan;
  trait: string;
  known: readonly string[];
}

function Words({ character, draft, edit, plan, trait, known }: WordsProps) {
  // In the plan's own words, whatever drives them.
  const own = useMemo(() => planOf({ plan: draft.plan }), [draft.plan]);
  const as = { ...character, id: trait, plate: plan.places[trait] } as Character;
  return (character.states ?? []).map(({ id, label }) => {
    const now = wordFor(draft, plan.vocabulary, trait, id);
    return (
      <Options key={id} label={`${label} is drawn as`} gap="s" across>
        <Text size="small" strong quiet wide="all">
          {`${label} is drawn as`}
        </Text>
        {known.map((word) => {
          const tile = own?.tile(as, word);
          return (
            <TileOption
              key={word}
              on={now === word}
              label={wordsOf(word)}
              shown={wordsOf(word)}
              onPress={() => edit(stateOnPlate(draft, character.id, trait, id, word))}
            >
              {tile && (
                <View>
                  <PlateView plate={tile} width={SIZE} height={SIZE} />
                </View>
              )}
            </TileOption>
          );
        })}
      </Options>
    );
  });
}
