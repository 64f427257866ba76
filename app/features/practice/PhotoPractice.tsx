import type { StoredGuide } from '@plesion/contract';
import { photoItem, type VerifiedPhoto } from '@plesion/core/practice';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { Empty, Failed, Loading } from '../../ui/states';
import { photosQuery } from '../records/practiceAnswers';
import { PracticeItem } from './PracticeItem';
import { usePractice } from './usePractice';
import type { Wanted } from './ways';

interface PhotoPracticeProps {
  stored: StoredGuide;
  wanted: Wanted;
}

/** Photographs of the station's own specimens of which it is known what they are. */
export function PhotoPractice({ stored, wanted }: PhotoPracticeProps) {
  const found = useQuery(photosQuery(stored.id));
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  if (!found.data) return <Loading what="The photographs" />;
  if (!found.data.photos.length)
    return (
      <Empty title="No photograph yet of which it is known what it shows">
        Say on a specimen’s page how it turned out: by an expert’s word, an egg, a test. Its photographs are then practised with
        here.
      </Empty>
    );
  return <Photos stored={stored} wanted={wanted} photos={found.data.photos} />;
}

function Photos({ stored, wanted, photos }: PhotoPracticeProps & { photos: VerifiedPhoto[] }) {
  const maker: NonNullable<Parameters<typeof usePractice>[2]> = useCallback(
    (compiled, _, asked, seed) => {
      const photo = photos.find(({ hash, specimenId }) => hash === asked.photo?.hash && specimenId === asked.photo.specimenId);
      return photo && photoItem(compiled, asked, photo, seed);
    },
    [photos],
  );
  const refs = useMemo(() => photos.map(({ specimenId, hash }) => ({ specimenId, hash })), [photos]);
  const practice = usePractice(stored, { ...wanted, photos: refs }, maker);
  if (!practice.current) return <Loading what="Practice" />;
  const { item, asked } = practice.current;
  if (!item)
    return (
      <Empty title="Not of these">
        What these photographs turned out to be does not tell the kinds apart that are practised here.
      </Empty>
    );
  return <PracticeItem key={item.seed} guide={stored.guide} item={item} asked={asked} practice={practice} />;
}
