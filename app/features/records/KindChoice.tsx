import { FACETS, type FacetName, type Facets, formsOf, type Guide, isUnder } from '@plesion/core/guide';
import { View } from 'react-native';
import { space } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';

interface KindChoiceProps {
  label: string;
  guide: Guide;
  taxon?: string;
  facets: Facets;
  onChange: (taxon: string | undefined, facets: Facets) => void;
}

/** A taxon of a guide, and the sex, age, morph and season in which its forms differ. */
export function KindChoice({ label, guide, taxon, facets, onChange }: KindChoiceProps) {
  return (
    <View style={{ gap: space.m }}>
      <Picker
        label={label}
        items={guide.taxa.map(({ id, name, vernacular }) => ({ id, label: vernacular ?? name, words: name }))}
        chosen={taxon}
        onChange={(next) => onChange(next, {})}
      />
      {facetsOf(guide, taxon).map(({ facet, values }) => (
        <ChoiceGroup
          key={facet}
          label={FACET_WORDS[facet]}
          clearable
          options={values}
          chosen={facets[facet] ? [facets[facet]] : []}
          onChange={([value]) => {
            const rest = Object.entries(facets).filter(([one]) => one !== facet);
            onChange(taxon, Object.fromEntries([...rest, ...(value ? [[facet, value]] : [])]));
          }}
        />
      ))}
    </View>
  );
}

const FACET_WORDS: Record<FacetName, string> = { stage: 'Age', sex: 'Sex', morph: 'Morph', season: 'Season' };

/** The facets in which forms of a taxon differ, with what they may be. */
function facetsOf(guide: Guide, taxon: string | undefined): { facet: FacetName; values: { id: string; label: string }[] }[] {
  if (!taxon) return [];
  const forms = formsOf(guide).filter((form) => isUnder(guide, form.taxon, taxon));
  return FACETS.flatMap((facet) => {
    const there = new Set(forms.flatMap(({ facets }) => facets[facet] ?? []));
    const values = (guide.facets[facet] ?? []).filter(({ id }) => there.has(id));
    return values.length > 1 ? [{ facet, values }] : [];
  });
}
