import type { Comparison } from '@plesion/core/compare';
import { type Guide, sayFacets } from '@plesion/core/guide';
import { scaleBar } from '@plesion/core/plates';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, radius, space, WIDE } from '../../theme';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Tabs } from '../../ui/Tabs';
import { Text } from '../../ui/Text';
import { drawnViews, formPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { FORM_INKS } from './inks';

/** The same view and the same scale for all: nearness is what is to be seen. */
export function ComparedPlates({ guide, forms, names }: { guide: Guide; forms: Comparison['forms']; names: readonly string[] }) {
  const screen = useWindowDimensions().width;
  const views = drawnViews(guide);
  const [view, setView] = useState(views[0]?.id);
  const drawn = forms.flatMap((form, i) => {
    const plate = view ? formPlate(guide, form.form, view, 'full') : undefined;
    return plate ? [{ ...form, i, plate }] : [];
  });
  if (drawn.length === 0) return null;
  const room =
    (Math.min(screen, 1080) - (screen >= WIDE ? 150 : 24) - space.s * (forms.length - 1)) /
    Math.min(forms.length, screen >= WIDE ? 4 : 2);
  const widest = Math.max(...drawn.map(({ plate }) => plate.box.width));
  const tallest = Math.max(...drawn.map(({ plate }) => plate.box.height));
  const scale = Math.min((room - 16) / widest, 400 / tallest);
  const bar = scaleBar({ ...drawn[0].plate, box: { width: widest } });
  const panel = Math.min(room, widest * scale + 72);
  const shown = (
    <>
      <Row>
        {drawn.map(({ form, taxon, facets, i, plate }) => (
          <View key={form} style={[styles.plate, { width: panel, borderColor: FORM_INKS[i].line }]}>
            <View style={{ height: tallest * scale, justifyContent: 'flex-end' }}>
              <PlateView plate={plate} width={plate.box.width * scale} height={plate.box.height * scale} label={names[i]} />
            </View>
            <TaxonName guide={guide} taxon={taxon} short size={17} color={FORM_INKS[i].line} />
            <Text size="small" quiet>
              {sayFacets(guide, facets)}
            </Text>
          </View>
        ))}
      </Row>
      {bar && (
        <Row align="center" oneLine>
          <View style={[styles.bar, { width: bar.mm * scale }]} />
          <Text size="small" quiet>
            {`${bar.label}, for all`}
          </Text>
        </Row>
      )}
    </>
  );
  return (
    <Stack>
      {view && views.length > 1 ? (
        <Tabs label="Views of the plates" tabs={views} chosen={view} onChange={setView}>
          {shown}
        </Tabs>
      ) : (
        shown
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  plate: { alignItems: 'center', backgroundColor: colour.paper, borderRadius: radius.m, borderWidth: 1.5, padding: 6, gap: 2 },
  bar: { height: 6, borderLeftWidth: 1.5, borderRightWidth: 1.5, borderBottomWidth: 1.5, borderColor: colour.ink },
});
