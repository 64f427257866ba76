import type { Standing } from '@plesion/core/evidence';
import { type Facets, FACETS, type FacetName, type Guide } from '@plesion/core/guide';
import { type GivenName, QUALIFIERS, type Qualifier } from '@plesion/core/specimen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { needsTaxon, QUALIFIER_LABELS } from './qualifiers';
import { TaxonPick } from './TaxonPick';

interface NameOtherwiseProps {
  guide: Guide;
  answer: Standing;
  given: GivenName;
  onGive: (given: GivenName) => void;
  /** Asked for where the name says more, or something else, than was recommended. */
  reason: string | undefined;
  onReason: (text: string) => void;
  onAsRecommended: () => void;
}

/** A name other than the recommended one: qualifier, taxon, sex, stage and morph, and why. */
export function NameOtherwise({ guide, answer, given, onGive, reason, onReason, onAsRecommended }: NameOtherwiseProps) {
  return (
    <Card title="Otherwise" aside={<Button small kind="quiet" label="As recommended" onPress={onAsRecommended} />}>
      <ChoiceGroup
        label="Said"
        options={QUALIFIERS.map((q) => ({ id: q, label: QUALIFIER_LABELS[q] }))}
        chosen={[given.qualifier]}
        onChange={([qualifier]) => onGive(withQualifier(given, qualifier))}
      />
      {needsTaxon(given.qualifier) && (
        <TaxonPick
          label={given.qualifier === 'or' ? 'One' : 'Name'}
          guide={guide}
          answer={answer}
          chosen={given.taxon}
          onPick={(taxon) => onGive({ ...given, taxon })}
        />
      )}
      {given.qualifier === 'or' && (
        <TaxonPick
          label="The other"
          guide={guide}
          answer={answer}
          chosen={given.other}
          onPick={(other) => onGive({ ...given, other })}
        />
      )}
      {needsTaxon(given.qualifier) && (
        <>
          <FacetPicks guide={guide} facets={given.facets} onChange={(facets) => onGive({ ...given, facets })} />
          {guide.unions && (
            <ChoiceGroup
              label="or several together"
              clearable
              options={guide.unions}
              chosen={given.union ? [given.union] : []}
              onChange={([union]) => onGive({ ...given, union })}
            />
          )}
        </>
      )}
      {reason !== undefined && (
        <TextField
          label="Why otherwise than recommended"
          value={reason}
          onChangeText={onReason}
          multiline
          maxLength={2000}
          hint="It stays with the name, for whoever reads it later."
        />
      )}
    </Card>
  );
}

function withQualifier(given: GivenName, qualifier: Qualifier): GivenName {
  if (!needsTaxon(qualifier)) return { qualifier, facets: {} };
  return { ...given, qualifier, other: qualifier === 'or' ? given.other : undefined };
}

function FacetPicks({ guide, facets, onChange }: { guide: Guide; facets: Facets; onChange: (facets: Facets) => void }) {
  const without = (facet: FacetName) => Object.fromEntries(Object.entries(facets).filter(([key]) => key !== facet)) as Facets;
  return FACETS.filter((facet) => guide.facets[facet]).map((facet) => (
    <ChoiceGroup
      key={facet}
      label={facet}
      clearable
      options={guide.facets[facet]!}
      chosen={facets[facet] ? [facets[facet]] : []}
      onChange={([value]) => onChange(value ? { ...facets, [facet]: value } : without(facet))}
    />
  ));
}
