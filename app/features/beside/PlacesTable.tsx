import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { PhotoTable } from '../measure/PhotoTable';
import { pointsOf, type Step } from '../measure/steps';
import { emptyTable, place, type Table } from '../measure/table';
import type { MatchedBy, Pair } from './pictures';

interface PlacesTableProps {
  image: HTMLImageElement;
  /** What the photo is called. */
  label: string;
  by: MatchedBy;
  onSet: (pair: Pair) => void;
}

/** The two places of a photo that the other picture is laid on. */
export function PlacesTable({ image, label, by, onSet }: PlacesTableProps) {
  const steps = by.places.map((one): Step => ({ ...one, kind: 'point' }));
  const [table, setTable] = useState<Table>(() => emptyTable(steps));
  const active = steps.find(({ id }) => id === table.active) ?? steps[0];
  const put = (next: Table) => {
    const [p, q] = steps.map(({ id }) => pointsOf(next.points, id)[0]);
    setTable(next);
    if (p && q) onSet([p, q]);
  };
  return (
    <Stack>
      <Text strong testID="places">{`On ${label}: ${active.label}`}</Text>
      <Box tall={420}>
        <PhotoTable
          image={image}
          steps={steps}
          table={table}
          setting
          panning={false}
          onPlace={(at) => put(place(table, steps, at))}
          onTable={setTable}
          says={`${label}. Set: ${active.label}. Arrows move the cross-hair, Enter sets a point.`}
        />
      </Box>
    </Stack>
  );
}
