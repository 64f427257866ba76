import { useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';

/** What a photo is laid beside. */
export const OTHERS = ['plate', 'photo', 'specimen'] as const;
export type OtherKind = (typeof OTHERS)[number];

/** Plate of a form in a view, or a photo: of this specimen, or of another. */
export interface Other {
  kind: OtherKind;
  form: string;
  view: string;
  specimen?: string;
  photo?: string;
}

/** Another specimen, as the server has it. */
export const useOtherSpecimen = (id: string | undefined) =>
  useQuery({
    queryKey: ['specimen', id],
    queryFn: ({ signal }) => api('specimen', { params: { id: id! } }, signal),
    enabled: id !== undefined,
  }).data;
