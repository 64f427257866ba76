import type { Comparison } from '@plesion/core/compare';
import { type Figure, figuresOf, type Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { space, WIDE } from '../../theme';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { TaxonName } from '../../ui/TaxonName';
import { Tabs } from '../../ui/Tabs';
import { Text } from '../../ui/Text';
import { FigurePicture, FigureWords, PinWords } from '../figures/FigurePicture';
import { FORM_INKS } from './inks';

/** Numbers on a smaller picture would hide what is to be compared. */
const NUMBERED = 220;

/** Photographs of the same view beside each other; a form that has none says so. */
export function ComparedFigures({ guide, forms, names }: { guide: Guide; forms: Comparison['forms']; names: readonly string[] }) {
  const screen = useWindowDimensions().width;
  const own = forms.map((form) => figuresOf(guide, form));
  // The view that shows most of them comes first.
  const showing = (view: string) => own.filter((figures) => figures.some((figure) => figure.view === view)).length;
  const views = guide.views.filter(({ id }) => showing(id) > 0).sort((a, b) => showing(b.id) - showing(a.id));
  const [chosen, setView] = useState<string>();
  const view = views.find(({ id }) => id === chosen)?.id ?? views[0]?.id;
  if (view === undefined) return null;
  const across = Math.min(forms.length, screen >= WIDE ? 4 : 2);
  const width = Math.floor((Math.min(screen, 1080) - (screen >= WIDE ? 190 : 60) - space.s * (across - 1)) / across);
  const shown = (
    <Row>
      {forms.map(({ form, taxon }, i) => {
        const figure: Figure | undefined = own[i].find((one) => one.view === view);
        return (
          <View key={form} style={{ width, gap: space.xs }}>
            <TaxonName guide={guide} taxon={taxon} short size={17} color={FORM_INKS[i].line} />
            {figure ? (
              <>
                <FigurePicture guide={guide} figure={figure} width={width} numbered={width >= NUMBERED} />
                <FigureWords guide={guide} figure={figure} />
                {width >= NUMBERED && <PinWords guide={guide} figure={figure} />}
              </>
            ) : (
              <Text size="small" quiet>{`No photograph of ${names[i]} from there.`}</Text>
            )}
          </View>
        );
      })}
    </Row>
  );
  return (
    <Card title="Photographs">
      {views.length > 1 ? (
        <Tabs label="Views of the photographs" tabs={views} chosen={view} onChange={setView}>
          {shown}
        </Tabs>
      ) : (
        shown
      )}
    </Card>
  );
}
