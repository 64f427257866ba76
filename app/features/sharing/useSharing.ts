import type { GuideSharing, Withdrawn } from '@plesion/contract/sharing';
import { useQuery } from '@tanstack/react-query';
import { sharingApi } from './sharingApi';

const FRESH = 60_000;

export const SHARING = ['sharing'];

/** How the station's guides stand among the stations: offered, withdrawn, imported. */
const useAllSharing = () =>
  useQuery({ queryKey: SHARING, queryFn: ({ signal }) => sharingApi('sharing', {}, signal), staleTime: FRESH });

/** How one guide stands; undefined until that is known. */
export function useSharing(guideId: string | undefined): GuideSharing | undefined {
  const { data } = useAllSharing();
  return data && guideId !== undefined ? (data.guides.find((one) => one.guideId === guideId) ?? { guideId }) : undefined;
}

/** Guides that were imported from another station, and are not written on here. */
export const useTaken = (): ReadonlySet<string> => {
  const { data } = useAllSharing();
  return new Set(data?.guides.flatMap(({ guideId, taken }) => (taken ? [guideId] : [])));
};

/** Who withdrew a guide: this station, or the one it was imported from. */
export const withdrawnOf = (sharing: GuideSharing | undefined): (Withdrawn & { from?: string }) | undefined =>
  sharing?.withdrawn ?? (sharing?.taken?.withdrawn && { ...sharing.taken.withdrawn, from: sharing.taken.from });
