import type { Reading, RelativeValue } from '@plesion/core/observation';

import { type Character, type Guide, isValue, shortName } from '@plesion/core/guide';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Stack } from '../../ui/Stack';

interface ComparisonEntryProps {
  guide: Guide;
  character: Character;
  reading?: Reading;
  onCompare: (comparison: RelativeValue) => void;
}

type Relation = RelativeValue['relation'];

/** Judged against one that is known, where nothing can be measured: larger or smaller than the neighbour named. */
export function ComparisonEntry({ guide, character, reading, onCompare }: ComparisonEntryProps) {
  const given = reading?.comparison;
  const [open, setOpen] = useState(Boolean(given));
  const [relation, setRelation] = useState<Relation>(given?.relation ?? 'larger');
  if (!open) return <Button small kind="quiet" label="Against one beside it" onPress={() => setOpen(true)} />;
  const neighbour = given && 'taxon' in given.than ? given.than.taxon : undefined;
  const own = given && 'character' in given.than ? given.than.character : undefined;
  const comparable = guide.characters.filter((other) => other.id !== character.id && isComparable(character, other));
  return (
    <Stack>
      <ChoiceGroup
        label={`${character.label}, judged by eye`}
        options={[
          { id: 'larger', label: 'larger than' },
          { id: 'smaller', label: 'smaller than' },
        ]}
        chosen={[relation]}
        onChange={([next]) => {
          setRelation(next);
          if (given) onCompare({ relation: next, than: given.than });
        }}
      />
      <ChoiceGroup
        label="the one beside it, known to be"
        options={guide.taxa.filter(({ forms }) => forms).map(({ id, name }) => ({ id, label: shortName(name) }))}
        chosen={neighbour ? [neighbour] : []}
        onChange={([taxon]) => onCompare({ relation, than: { taxon } })}
      />
      {comparable.length > 0 && (
        <ChoiceGroup
          label="or than its own"
          options={comparable.map(({ id, label }) => ({ id, label }))}
          chosen={own ? [own] : []}
          onChange={([other]) => onCompare({ relation, than: { character: other } })}
        />
      )}
    </Stack>
  );
}

/** Two lengths in one unit, or two ordered characters with as many states. */
const isComparable = (a: Character, b: Character): boolean =>
  isValue(a)
    ? isValue(b) && a.kind === b.kind && a.unit === b.unit
    : a.kind === 'ordered' && b.kind === 'ordered' && a.states?.length === b.states?.length;
