import { urlOf } from '@plesion/contract';
import { type Form, formsOf, type Guide } from '@plesion/core/guide';
import { sayFacets } from '@plesion/core/specimen';
import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Glyph } from '../../ui/Glyph';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';
import { drawnViews, formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { LearnedSheet } from '../learn/LearnedSheet';
import { KeysSheet } from '../keys/KeysSheet';
import { JudgingSheet } from './JudgingSheet';
import { NameSearch } from './NameSearch';
import { Hazards, OtherNames } from './TaxonNotes';
import { WithGuide } from './WithGuide';

/** A guide: what it holds, every form drawn, its sources. */
export function GuidePage({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The guide">
      {({ guide, version }) => <Whole id={id} guide={guide} version={version} />}
    </WithGuide>
  );
}

function Whole({ id, guide, version }: { id: string; guide: Guide; version: number }) {
  const router = useRouter();
  const [chosenView, setView] = useState<string>();
  const forms = formsOf(guide);
  const views = drawnViews(guide);
  const view = chosenView ?? mainView(guide);
  return (
    <Screen
      widest={1080}
      foot={
        <View style={styles.foot}>
          <Button kind="main" label="Name a specimen with it" onPress={() => router.push(`/specimens/new?guide=${id}`)} />
        </View>
      }
    >
      <Words size="display" heading={1}>
        {guide.title}
      </Words>
      <Words quiet>{`${guide.area} · version ${version}`}</Words>
      <Words>{guide.summary}</Words>
      <Notice kind="caution" title="Take care">
        {guide.caution}
      </Notice>
      {guide.learned && <LearnedSheet learned={guide.learned} />}
      <NameSearch guides={[{ id, guide }]} />
      {views.length > 1 && (
        <Choice label="View" hideLabel options={views} chosen={[view]} onChange={([chosen]) => setView(chosen)} />
      )}
      <View style={styles.taxa}>
        {guide.taxa
          .filter((taxon) => taxon.forms)
          .map((taxon) => (
            <Sheet key={taxon.id} style={styles.taxon}>
              <View>
                <TaxonName guide={guide} taxon={taxon.id} size={23} />
                <Words size="small" quiet>
                  {[taxon.vernacular, taxon.authority].filter(Boolean).join(' · ')}
                </Words>
                <OtherNames taxon={taxon} />
                <Hazards taxon={taxon} />
                {taxon.note && (
                  <Words size="small" quiet>
                    {taxon.note}
                  </Words>
                )}
              </View>
              <View style={styles.wall}>
                {forms
                  .filter((form) => form.taxon === taxon.id)
                  .map((form) => (
                    <FormTile key={form.id} id={id} guide={guide} form={form} view={view} />
                  ))}
              </View>
            </Sheet>
          ))}
      </View>
      <KeysSheet guideId={id} />
      <JudgingSheet id={id} guide={guide} />
      <Sheet title="Sources">
        {guide.sources.map((source) => (
          <View key={source.id}>
            <Words strong size="small">
              {source.label}
            </Words>
            <Words size="small" quiet>
              {source.citation}
            </Words>
          </View>
        ))}
      </Sheet>
      <Button
        label="Plesion JSON"
        hint="Download this guide as Plesion JSON"
        icon={<Glyph name="download" size={18} color={colour.kelp} />}
        onPress={() => window.location.assign(urlOf('exportGuide', { params: { id } }))}
      />
    </Screen>
  );
}

function FormTile({ id, guide, form, view }: { id: string; guide: Guide; form: Form; view: string }) {
  const plate = formPlate(guide, form.id, view, 'thumb');
  return (
    <Link href={{ pathname: '/guides/[id]/form', params: { id, form: form.id } }} asChild>
      <Pressable accessibilityLabel={`${form.taxon} ${sayFacets(guide, form.facets)}`} style={styles.tile}>
        {plate && <PlateView plate={plate} width={136} height={116} />}
        <Words size="small">{sayFacets(guide, form.facets) || 'open its page'}</Words>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  taxa: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  taxon: { flexGrow: 1, flexBasis: 400 },
  wall: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  tile: {
    width: 150,
    alignItems: 'center',
    padding: space.s,
    gap: space.xs,
    borderRadius: radius.m,
    backgroundColor: colour.paper,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
  foot: { flexDirection: 'row', justifyContent: 'flex-end' },
});
