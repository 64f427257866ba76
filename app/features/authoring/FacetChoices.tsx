import { FACETS, type FacetName } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import type { PartProps } from './WritingScreen';

export const FACET_NAMES: Record<FacetName, string> = { stage: 'Stage', sex: 'Sex', morph: 'Morph', season: 'Season' };

type Chosen = Partial<Record<FacetName, string[]>>;

interface Props {
  facets: PartProps['draft']['facets'];
  chosen: Chosen;
  onChange: (chosen: Chosen) => void;
}

/** Of each thing beside the kind, which; one of which none is chosen is not spoken of. */
export const FacetChoices = ({ facets, chosen, onChange }: Props) =>
  FACETS.flatMap((facet) =>
    facets[facet] ? (
      <ChoiceGroup
        key={facet}
        many
        label={FACET_NAMES[facet]}
        options={facets[facet]}
        chosen={chosen[facet] ?? []}
        onChange={(values) => onChange(values.length ? { ...chosen, [facet]: values } : omit(chosen, facet))}
      />
    ) : (
      []
    ),
  );
