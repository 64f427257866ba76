import { GRIDS } from '@plesion/core/formats/schema';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../../lib/api';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { STATION, useStation } from './useStation';

/** Of latitude; the earth’s circumference by 360. */
const KM_TO_A_DEGREE = 111.2;

/** How coarsely the station tells where guarded kinds are, to others. */
export function GridCard() {
  const client = useQueryClient();
  const { data } = useStation();
  const set = useMutation({
    mutationFn: (grid: (typeof GRIDS)[number]) => api('setStation', { body: { grid } }),
    onSuccess: (station) => client.setQueryData([STATION], station),
  });
  if (!data) return null;
  const chosen = set.isPending ? set.variables : data.grid;
  return (
    <Card title="Places of guarded kinds">
      <ChoiceGroup
        label="Told to others on a grid of"
        options={GRIDS.map((grid) => ({ id: String(grid), label: `${grid}°, ${Math.round(grid * KM_TO_A_DEGREE)} km` }))}
        chosen={[String(chosen)]}
        onChange={([next]) => set.mutate(GRIDS.find((grid) => String(grid) === next)!)}
      />
      {set.error && <Notice kind="problem">{set.error.message}</Notice>}
      <Text size="small" quiet>
        Guides say which kinds are guarded. Every file for others rounds where they were found to this grid, leaves the name of
        the place out, and says so. Records here, and the station’s own archive, stay exact.
      </Text>
    </Card>
  );
}
