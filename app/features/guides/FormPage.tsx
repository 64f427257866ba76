import { type Character, frequenciesOf, type Guide, type Table, taxonIndex } from '@plesion/core/guide';
import { sayFacets } from '@plesion/core/specimen';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, space, WIDE } from '../../theme';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';
import { inWorkingOrder } from '../bench/readings';
import { Lookalikes, OwnSeries } from '../compare/Lookalikes';
import { drawnViews, formPlate } from '../plates/plates';
import { PlateSheet } from '../plates/PlateSheet';
import { compiledOf } from './compiled';
import { Disputed } from './Disputed';
import { Hazards, OtherNames } from './TaxonNotes';
import { WithGuide } from './WithGuide';

/** One form: its plates large, and what the guide says of it. */
export function FormPage({ id, formId }: { id: string; formId: string }) {
  return (
    <WithGuide id={id} what="The form">
      {({ guide }) => <Form id={id} guide={guide} formId={formId} />}
    </WithGuide>
  );
}

function Form({ id, guide, formId }: { id: string; guide: Guide; formId: string }) {
  const screen = useWindowDimensions().width;
  const known = compiledOf(guide).forms.some((form) => form.id === formId);
  const width = screen >= WIDE ? 460 : Math.min(screen - 44, 460);
  return (
    <Screen widest={1080}>
      <FormHead guide={guide} formId={formId} />
      <View style={styles.plates}>
        {drawnViews(guide).map((view) => {
          const plate = formPlate(guide, formId, view.id, 'full');
          return plate ? (
            <PlateSheet key={view.id} plate={plate} width={width} label={`Plate, ${view.label}`} caption={view.label} />
          ) : null;
        })}
      </View>
      {known && (
        <>
          <OwnSeries guide={guide} compiled={compiledOf(guide)} formId={formId} />
          <Lookalikes id={id} guide={guide} compiled={compiledOf(guide)} formId={formId} />
        </>
      )}
      <Description guide={guide} formId={formId} />
      <Notice kind="caution" title="Take care">
        {guide.caution}
      </Notice>
    </Screen>
  );
}

function FormHead({ guide, formId }: { guide: Guide; formId: string }) {
  const form = compiledOf(guide).forms.find((f) => f.id === formId);
  if (!form) return <Notice kind="problem">{`There is no form “${formId}” in this guide.`}</Notice>;
  const taxon = taxonIndex(guide).get(form.taxon);
  return (
    <View>
      <TaxonName guide={guide} taxon={form.taxon} size={32} />
      <Words size="lead">{sayFacets(guide, form.facets)}</Words>
      <Words quiet size="small">
        {[taxon?.vernacular, taxon?.authority].filter(Boolean).join(' · ')}
      </Words>
      {taxon && <OtherNames taxon={taxon} />}
      {taxon && <Hazards taxon={taxon} />}
    </View>
  );
}

function Description({ guide, formId }: { guide: Guide; formId: string }) {
  const compiled = compiledOf(guide);
  const at = compiled.forms.findIndex((form) => form.id === formId);
  if (at < 0) return null;
  return (
    <Sheet title="What the guide says of it">
      {inWorkingOrder(guide).map(({ group, label, characters }) => (
        <View key={group} style={styles.group}>
          <Words size="small" strong color={colour.kelp}>
            {label}
          </Words>
          {characters.map((character) => (
            <View key={character.id} style={styles.row}>
              <Words size="small" quiet style={styles.what}>
                {character.label}
              </Words>
              <View style={styles.said}>
                <Words size="small" style={styles.right}>
                  {sayScore(character, compiled.tables.get(character.id)!, at)}
                </Words>
                <Disputed guide={guide} compiled={compiled} character={character} form={at} />
              </View>
            </View>
          ))}
        </View>
      ))}
    </Sheet>
  );
}

/** "two lobes 85 %, one arch 12 %", "1.24 to 1.36"; states under 5 % are left out. */
function sayScore(character: Character, table: Table, form: number): string {
  if (!table.scored[form]) return 'not scored';
  if (table.type === 'values') {
    const edge = (z: number) => {
      const x = table.mean[form] + z * table.sd[form];
      return Number((table.log ? Math.exp(x) : x).toPrecision(3));
    };
    const inferred = table.inferred?.[form] ? ' (inferred)' : '';
    return `${edge(-1.96)} to ${edge(1.96)}${character.unit ? ` ${character.unit}` : ''}${inferred}`;
  }
  return frequenciesOf(table, form)
    .filter(({ p }) => p >= 0.05)
    .sort((a, b) => b.p - a.p)
    .map(({ state, p }) => `${character.states?.find((s) => s.id === state)?.label ?? `${state}:`} ${Math.round(p * 100)} %`)
    .join(', ');
}

const styles = StyleSheet.create({
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  group: { gap: 3, paddingBottom: space.s },
  row: { flexDirection: 'row', gap: space.m, justifyContent: 'space-between' },
  what: { flex: 1 },
  said: { flex: 1.3 },
  right: { textAlign: 'right' },
});
