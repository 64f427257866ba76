import { type Guide, sayFacets } from '@plesion/core/guide';
import type { OwnCell } from '@plesion/core/own';
import type { ReactNode } from 'react';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';

/** A character of a taxon by the books, by our own records, and by both. */
export function OwnCellRow({ guide, cell, action }: { guide: Guide; cell: OwnCell; action?: ReactNode }) {
  const { taxon, facets, character, text } = cell;
  const label = guide.characters.find(({ id }) => id === character)?.label ?? character;
  return (
    <Stack gap="xs" align="start" padY="s" ruled="above">
      <Row gap="m" lineGap="none" align="baseline">
        <TaxonName guide={guide} taxon={taxon} size={16} />
        <Text size="small" quiet>
          {[sayFacets(guide, facets), label].filter(Boolean).join(' · ')}
        </Text>
      </Row>
      <Text strong>{text}</Text>
      <Text size="small" quiet>
        {`Both together: ${sayBoth(guide, cell)}`}
      </Text>
      {action}
    </Stack>
  );
}

/** "down to the bill: 89; a mask only: 9 in 100"; "33 ± 2 mm". */
function sayBoth({ characters }: Guide, { character: id, states, values }: OwnCell): string {
  const character = characters.find((one) => one.id === id);
  if (values) {
    const unit = character?.unit && character.unit !== '1' ? ` ${character.unit}` : '';
    return `${values.both.mean.toPrecision(3)} ± ${values.both.sd.toPrecision(2)}${unit}`;
  }
  const often = (states ?? []).filter(({ both }) => both >= 0.05).sort((a, b) => b.both - a.both);
  const said = often.map(({ state, both }) => {
    const label = character?.states?.find((one) => one.id === state)?.label ?? state;
    return `${label}: ${Math.round(100 * both)}`;
  });
  return `${said.join('; ')} in 100`;
}
