import type { Standing } from '@plesion/core/evidence';
import type { Reading } from '@plesion/core/observation';
import { inHundred } from '@plesion/core/evidence';
import { type Facets, FACETS, type FacetName, type Guide, sayFacets } from '@plesion/core/guide';
import { type GivenName, overrules, QUALIFIERS, type Qualifier, recommendedName } from '@plesion/core/specimen';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Failed, Loading } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { useBench } from '../analysis/useBench';
import { useSession } from '../session/useSession';
import { DangerNotice } from '../judgement/DangerNotice';
import type { Draft } from '../records/draft';
import { useDraft } from '../records/useDraft';
import { NameByHand } from './NameByHand';
import { NameRule } from './NameRule';
import { needsTaxon, QUALIFIER_LABELS } from './qualifiers';
import { TaxonPick } from './TaxonPick';
import { VerdictList } from './VerdictList';

/** Write it down: by what its guide says, or by hand where there is none. */
export function NameScreen({ id, suggested }: { id: string; suggested?: string }) {
  const { draft, state } = useDraft(id);
  if (draft && state && state.content.guideId === undefined) return <NameByHand id={id} draft={draft} suggested={suggested} />;
  return <NameByGuide id={id} />;
}

/** What the evidence allows, or otherwise with a reason. */
function NameByGuide({ id }: { id: string }) {
  const { bench, error, retry } = useBench(id);
  if (error)
    return (
      <Screen>
        <Failed error={error} retry={retry} />
      </Screen>
    );
  if (!bench?.answer) return <Loading what="The standing" />;
  return (
    <NameForm
      id={id}
      guide={bench.stored.guide}
      version={bench.stored.version}
      answer={bench.answer}
      readings={bench.state.content.readings}
      draft={bench.draft}
    />
  );
}

interface NameFormProps {
  id: string;
  guide: Guide;
  version: number;
  answer: Standing;
  readings: readonly Reading[];
  draft: Draft;
}

function NameForm({ id, guide, version, answer, readings, draft }: NameFormProps) {
  const router = useRouter();
  const by = useSession().account.name;
  const recommended = recommendedName(answer.call);
  const [given, setGiven] = useState<GivenName>(recommended);
  const [otherwise, setOtherwise] = useState(false);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const name = otherwise ? given : recommended;
  const overruled = otherwise && overrules(recommended, given);

  const write = async () => {
    const wrong = problemOf(name, overruled, reason);
    setProblem(wrong);
    if (wrong) return;
    setBusy(true);
    draft.change((content) => ({
      ...content,
      determinations: [
        ...content.determinations,
        {
          id: mintId(),
          ...name,
          by,
          at: new Date().toISOString(),
          p: probabilityOf(answer, name),
          recommended: answer.call.text,
          overruled,
          ...(overruled ? { reason: reason.trim() } : {}),
          guideVersion: version,
        },
      ],
    }));
    await draft.flush();
    router.replace(`/specimens/${id}`);
  };

  return (
    <Screen
      widest={760}
      foot={
        <View style={styles.foot}>
          <View style={styles.grow}>
            <TaxonName guide={guide} {...name} size={20} />
            <Text size="small" quiet>
              {[sayFacets(guide, name.facets), unionLabel(guide, name.union)].filter(Boolean).join(', ') ||
                'no sex, stage or morph'}
            </Text>
          </View>
          <Button kind="main" label="Into the daybook" busy={busy} onPress={() => void write()} />
        </View>
      }
    >
      <Text size="display" heading={1}>
        How far may it be named?
      </Text>
      <Card title="Recommended">
        {answer.call.kind === 'undetermined' ? (
          <Text size="title">Not yet a name</Text>
        ) : (
          <TaxonName guide={guide} {...recommended} size={24} />
        )}
        {answer.call.union && (
          <Text size="lead" testID="union">{`${answer.call.union.label}, ${inHundred(answer.call.union.p)}`}</Text>
        )}
        <VerdictList verdicts={answer.call.verdicts} />
        {answer.call.proviso && (
          <Text size="small" quiet>
            {answer.call.proviso}
          </Text>
        )}
      </Card>
      <NameRule guide={guide} answer={answer} readings={readings} taxon={name.taxon} />
      <DangerNotice guide={guide} answer={answer} />
      {answer.fit.poor && (
        <Notice kind="problem" title="It does not fit well">
          {answer.fit.text}
        </Notice>
      )}
      <Notice kind="caution" title="A name is not a promise">
        No result says that an animal is safe to touch, keep or eat. Local law, permits and licensed advice come first.
      </Notice>
      {!otherwise && <Button label="Name it otherwise" onPress={() => setOtherwise(true)} />}
      {otherwise && (
        <Card title="Otherwise" aside={<Button small kind="quiet" label="As recommended" onPress={() => setOtherwise(false)} />}>
          <ChoiceGroup
            label="Said"
            options={QUALIFIERS.map((q) => ({ id: q, label: QUALIFIER_LABELS[q] }))}
            chosen={[given.qualifier]}
            onChange={([qualifier]) => setGiven(withQualifier(given, qualifier))}
          />
          {needsTaxon(given.qualifier) && (
            <TaxonPick
              label={given.qualifier === 'or' ? 'One' : 'Name'}
              guide={guide}
              answer={answer}
              chosen={given.taxon}
              onPick={(taxon) => setGiven({ ...given, taxon })}
            />
          )}
          {given.qualifier === 'or' && (
            <TaxonPick
              label="The other"
              guide={guide}
              answer={answer}
              chosen={given.other}
              onPick={(other) => setGiven({ ...given, other })}
            />
          )}
          {needsTaxon(given.qualifier) && (
            <>
              <FacetPicks guide={guide} facets={given.facets} onChange={(facets) => setGiven({ ...given, facets })} />
              {guide.unions && (
                <ChoiceGroup
                  label="or several together"
                  clearable
                  options={guide.unions}
                  chosen={given.union ? [given.union] : []}
                  onChange={([union]) => setGiven({ ...given, union })}
                />
              )}
            </>
          )}
          {overruled && (
            <TextField
              label="Why otherwise than recommended"
              value={reason}
              onChangeText={setReason}
              multiline
              maxLength={2000}
              hint="It stays with the name, for whoever reads it later."
            />
          )}
        </Card>
      )}
      {problem && <Notice kind="problem">{problem}</Notice>}
    </Screen>
  );
}

const unionLabel = (guide: Guide, id: string | undefined) => guide.unions?.find((union) => union.id === id)?.label;

function withQualifier(given: GivenName, qualifier: Qualifier): GivenName {
  if (!needsTaxon(qualifier)) return { qualifier, facets: {} };
  return { ...given, qualifier, other: qualifier === 'or' ? given.other : undefined };
}

function problemOf(name: GivenName, overruled: boolean, reason: string): string | undefined {
  if (needsTaxon(name.qualifier) && !name.taxon) return 'Choose a name first.';
  if (name.qualifier === 'or' && (!name.other || name.other === name.taxon))
    return 'Choose two different names for “one of two”.';
  return overruled && !reason.trim() ? 'Say why you name it otherwise than recommended.' : undefined;
}

function probabilityOf(answer: Standing, { qualifier, taxon, other }: GivenName): number {
  if (qualifier === 'outside') return answer.outside;
  if (qualifier === 'unknown') return 0;
  const of = (id: string | undefined) => answer.taxa.find((t) => t.taxon === id)?.p ?? 0;
  return Math.min(1, of(taxon) + (qualifier === 'or' ? of(other) : 0));
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

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flex: 1 },
});
