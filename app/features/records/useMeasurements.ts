import { type Measurement, type MeasurementWrite, schemas } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { api, queryClient } from '../../lib/api';
import { createDrafts } from '../../lib/drafts';
import { omit } from '../../lib/omit';
import { plainKind } from '../../lib/plainKind';

const measurementKind = plainKind((stored: Measurement): MeasurementWrite =>
  omit(stored, 'id', 'by', 'value', 'pointing', 'createdAt', 'updatedAt'),
);

/** What was measured, on this device: it waits for its specimen, which is sent before it. */
export const measurementDrafts = createDrafts<MeasurementWrite, Measurement>({
  name: 'measurement',
  schema: schemas.MeasurementWrite,
  kind: measurementKind,
  send: (id, body) => api('writeMeasurement', { params: { id }, body }),
  onSaved({ specimenId }) {
    void queryClient.invalidateQueries({ queryKey: ['measurements', specimenId] });
    void queryClient.invalidateQueries({ queryKey: ['measurements of'] });
    void queryClient.invalidateQueries({ queryKey: ['pointing'] });
  },
});

/** How well one points oneself; what is usual until it is known. */
export const usePointing = () => useQuery({ queryKey: ['pointing'], queryFn: ({ signal }) => api('pointing', {}, signal) });

/** What was measured of a specimen, as far as the server has it. */
export const useMeasurements = (specimenId: string) =>
  useQuery({
    queryKey: ['measurements', specimenId],
    queryFn: ({ signal }) => api('measurements', { query: { specimenId } }, signal),
  });

/** What was measured of one character, on all specimens and by everybody. */
export const useMeasurementsOf = (character: string) =>
  useQuery({
    queryKey: ['measurements of', character],
    queryFn: ({ signal }) => api('measurements', { query: { character } }, signal),
  });
