import { urlOf } from '@plesion/contract';
import { type ComparedCharacter, compareForms, type Comparison, namesOf } from '@plesion/core/compare';
import { compileFor } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import type { Judgement, Situation } from '@plesion/core/specimen';
import { sayFacets } from '@plesion/core/specimen';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, radius, space, WIDE } from '../../theme';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { Empty, Failed, Loading } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';
import { useGuide } from '../guides/useGuide';
import { drawnViews, formPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { useDraft } from '../specimen/useDraft';
import { ComparedMark } from './ComparedMark';
import { FormPick } from './FormPick';
import { FORM_INKS } from './inks';
import { SendPage } from './SendPage';

interface CompareScreenProps {
  id: string;
  formIds: readonly string[];
  /** The specimen whose situation and judgement hold. */
  specimenId?: string;
}

/** Two to four forms side by side: drawn alike, and every mark by how well it separates them. */
export function CompareScreen({ id, formIds, specimenId }: CompareScreenProps) {
  const stored = useGuide(id);
  if (stored.error)
    return (
      <Screen>
        <Failed error={stored.error} retry={() => void stored.refetch()} />
      </Screen>
    );
  if (!stored.data) return <Loading what="The guide" />;
  const { guide } = stored.data;
  return specimenId ? (
    <ForSpecimen id={id} guide={guide} formIds={formIds} specimenId={specimenId} />
  ) : (
    <Compared id={id} guide={guide} formIds={formIds} />
  );
}

function ForSpecimen({ specimenId, ...rest }: { id: string; guide: Guide; formIds: readonly string[]; specimenId: string }) {
  const content = useDraft(specimenId).state?.content;
  return <Compared {...rest} specimenId={specimenId} situation={content?.situation} judgement={content?.judgement} />;
}

interface ComparedProps {
  id: string;
  guide: Guide;
  formIds: readonly string[];
  specimenId?: string;
  situation?: Situation;
  judgement?: Judgement;
}

function Compared({ id, guide, formIds, specimenId, situation, judgement }: ComparedProps) {
  const router = useRouter();
  const compiled = useMemo(() => compileFor(guide, situation ?? {}, judgement), [guide, situation, judgement]);
  const forms = formIds.filter((form) => compiled.forms.some((known) => known.id === form));
  const choose = (next: readonly string[]) =>
    router.setParams({ forms: next.join(','), ...(specimenId ? { specimen: specimenId } : {}) });
  const enough = forms.length >= 2;
  const comparison = useMemo(
    () =>
      enough
        ? compareForms(
            compiled,
            formIds.filter((form) => compiled.forms.some((known) => known.id === form)),
            situation ?? {},
          )
        : undefined,
    [compiled, enough, formIds, situation],
  );
  const names = comparison ? namesOf(compiled, comparison.forms) : [];
  return (
    <Screen
      widest={1080}
      foot={
        comparison && (
          <SendPage
            url={(as) => urlOf('comparePage', { params: { id }, query: { forms: forms.join(','), as, specimen: specimenId } })}
          />
        )
      }
    >
      <Words size="display" heading={1}>
        Side by side
      </Words>
      <FormPick guide={guide} compiled={compiled} chosen={forms} onChange={choose} />
      {!comparison && (
        <Empty title="Choose two to four forms">
          They are drawn in the same view and at the same scale, with what tells them apart.
        </Empty>
      )}
      {comparison && (
        <>
          <Plates guide={guide} forms={forms} />
          <Sheet title="In plain words">
            <Words testID="paragraph">{comparison.paragraph}</Words>
          </Sheet>
          <Dangers guide={guide} taxa={comparison.forms.map(({ taxon }) => taxon)} />
          <Marks guide={guide} comparison={comparison} names={names} />
        </>
      )}
    </Screen>
  );
}

/** Those that separate, and the traps, drawn in full; the rest in a line, until they are asked for. */
function Marks({ guide, comparison, names }: { guide: Guide; comparison: Comparison; names: readonly string[] }) {
  const [all, setAll] = useState(false);
  const telling = ({ separation, trap }: ComparedCharacter) => trap || separation !== 'does not separate';
  const shown = comparison.characters.filter((mark) => all || telling(mark));
  const rest = comparison.characters.filter((mark) => !telling(mark));
  return (
    <>
      <View style={styles.marks}>
        {shown.map((mark) => (
          <View key={mark.character} style={styles.mark}>
            <ComparedMark mark={mark} names={names} unit={guide.characters.find((c) => c.id === mark.character)?.unit} />
          </View>
        ))}
      </View>
      {rest.length > 0 && (
        <Sheet
          title="Does not separate these"
          aside={
            <Button
              small
              kind="quiet"
              label={all ? 'Hide' : 'Show drawn'}
              hint="Show the marks that do not separate"
              onPress={() => setAll(!all)}
            />
          }
        >
          <Words size="small" quiet>
            {`${rest.map(({ label, overlap }) => `${label} (${Math.round(overlap * 100)} in 100 alike)`).join(', ')}.`}
          </Words>
        </Sheet>
      )}
    </>
  );
}

/** The same view and the same scale for all: nearness is what is to be seen. */
function Plates({ guide, forms }: { guide: Guide; forms: readonly string[] }) {
  const screen = useWindowDimensions().width;
  const views = drawnViews(guide);
  const [view, setView] = useState(views[0]?.id);
  const drawn = forms.flatMap((form, i) => {
    const plate = view ? formPlate(guide, form, view, 'full') : undefined;
    return plate ? [{ form, i, plate }] : [];
  });
  if (drawn.length === 0) return null;
  const room =
    (Math.min(screen, 1080) - (screen >= WIDE ? 150 : 24) - space.s * (forms.length - 1)) /
    Math.min(forms.length, screen >= WIDE ? 4 : 2);
  const widest = Math.max(...drawn.map(({ plate }) => plate.box.width));
  const tallest = Math.max(...drawn.map(({ plate }) => plate.box.height));
  const scale = Math.min((room - 16) / widest, 400 / tallest);
  const panel = Math.min(room, widest * scale + 72);
  return (
    <View style={styles.block}>
      {views.length > 1 && (
        <Choice label="View" hideLabel options={views} chosen={view ? [view] : []} onChange={([next]) => setView(next)} />
      )}
      <View style={styles.plates}>
        {drawn.map(({ form, i, plate }) => {
          const [taxon] = form.split('/');
          const facets = guide.taxa.some((t) => t.id === taxon) ? form : '';
          return (
            <View key={form} style={[styles.plate, { width: panel, borderColor: FORM_INKS[i].line }]}>
              <View style={{ height: tallest * scale, justifyContent: 'flex-end' }}>
                <PlateView plate={plate} width={plate.box.width * scale} height={plate.box.height * scale} label={form} />
              </View>
              <TaxonName guide={guide} taxon={taxon.split('~')[0]} short size={17} color={FORM_INKS[i].line} />
              <Words size="small" quiet>
                {facets && sayFacets(guide, facetsOf(guide, form))}
              </Words>
            </View>
          );
        })}
      </View>
      <View style={styles.scale}>
        <View style={[styles.bar, { width: 10 * scale }]} />
        <Words size="small" quiet>
          10 mm, for all
        </Words>
      </View>
    </View>
  );
}

function facetsOf(guide: Guide, form: string) {
  const values = (form.split('/')[1] ?? '').split('~')[0].split('.');
  return Object.fromEntries(
    Object.entries(guide.facets).flatMap(([facet, list]) => {
      const own = list?.find(({ id }) => values.includes(id));
      return own ? [[facet, own.id]] : [];
    }),
  );
}

function Dangers({ guide, taxa }: { guide: Guide; taxa: readonly string[] }) {
  return guide.taxa
    .filter(({ id, hazards }) => taxa.includes(id) && hazards?.length)
    .map(({ id, name, hazards, legal }) => (
      <Notice key={id} kind="caution" title={`${name}: take care`}>
        {[...hazards!.map(({ text }) => text), legal].filter(Boolean).join(' ')}
      </Notice>
    ));
}

const styles = StyleSheet.create({
  block: { gap: space.s },
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  plate: { alignItems: 'center', backgroundColor: colour.paper, borderRadius: radius.m, borderWidth: 1.5, padding: 6, gap: 2 },
  scale: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  bar: { height: 6, borderLeftWidth: 1.5, borderRightWidth: 1.5, borderBottomWidth: 1.5, borderColor: colour.ink },
  marks: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  mark: { flexGrow: 1, flexBasis: 330 },
});
