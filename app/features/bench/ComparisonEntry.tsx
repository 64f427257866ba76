import type { Comparison, Reading } from '@plesion/core/evidence';
import type { Character, Guide } from '@plesion/core/guide';
import { shortName } from '@plesion/core/specimen';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';

interface ComparisonEntryProps {
  guide: Guide;
  character: Character;
  reading?: Reading;
  onCompare: (comparison: Comparison) => void;
}

type Relation = Comparison['relation'];

/** Judged against one that is known, where nothing can be measured: larger or smaller than the neighbour named. */
export function ComparisonEntry({ guide, character, reading, onCompare }: ComparisonEntryProps) {
  const given = reading?.comparison;
  const [open, setOpen] = useState(Boolean(given));
  const [relation, setRelation] = useState<Relation>(given?.relation ?? 'larger');
  if (!open) return <Button small kind="quiet" label="Against one beside it" onPress={() => setOpen(true)} />;
  const neighbour = given && 'taxon' in given.than ? given.than.taxon : undefined;
  return (
    <View style={styles.box}>
      <Choice
        label={`${character.label}, judged by eye`}
        options={[
          { id: 'larger', label: 'larger than' },
          { id: 'smaller', label: 'smaller than' },
        ]}
        chosen={[relation]}
        onChange={([next]) => {
          setRelation(next);
          if (neighbour) onCompare({ relation: next, than: { taxon: neighbour } });
        }}
      />
      <Choice
        label="the one beside it, known to be"
        options={guide.taxa.filter(({ forms }) => forms).map(({ id, name }) => ({ id, label: shortName(name) }))}
        chosen={neighbour ? [neighbour] : []}
        onChange={([taxon]) => onCompare({ relation, than: { taxon } })}
      />
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: space.s } });
