import type { Standing } from '@plesion/core/evidence';
import { type Guide, taxonIndex } from '@plesion/core/guide';
import { useState } from 'react';
import { colour, space } from '../../theme';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { formPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { leadingForm } from '../analysis/leadingForm';

interface LeaderPlatesProps {
  guide: Guide;
  answer: Standing;
  /** The view that shows the character at hand; none where the guide draws nothing. */
  view: string;
}

/** The two in front, drawn side by side in the view of the character at hand. */
export function LeaderPlates({ guide, answer, view }: LeaderPlatesProps) {
  const [width, setWidth] = useState(360);
  if (!view) return null;
  const each = (width - space.m) / 2;
  return (
    <Card title="Side by side" aside={guide.views.find((v) => v.id === view)?.label}>
      <Row gap="m" oneLine onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        {(['left', 'right'] as const).map((side) => {
          const form = leadingForm(guide, answer, side);
          const plate = form && formPlate(guide, form, view, 'thumb');
          const { group, label } = answer.beam[side];
          const color = side === 'left' ? colour.for : colour.against;
          return (
            <Stack key={side} gap="xs" align="center" pad="s" round="m" tone="paper" style={{ width: each }}>
              {plate && (
                <PlateView plate={plate} width={each - space.l} height={each * 0.86} label={`${label}, usual individual`} />
              )}
              {taxonIndex(guide).has(group) ? (
                <TaxonName guide={guide} taxon={group} short color={color} />
              ) : (
                <Text color={color}>{label}</Text>
              )}
            </Stack>
          );
        })}
      </Row>
    </Card>
  );
}
