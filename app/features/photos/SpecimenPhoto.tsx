import type { Situation } from '@plesion/core/observation';
import { useState } from 'react';
import { factsOf, type PhotoFacts } from '../../lib/photoFacts';
import { FactsNotice } from './FactsNotice';
import { PhotoButton } from './PhotoButton';

interface SpecimenPhotoProps {
  has: boolean;
  situation: Situation;
  onPhoto: (hash: string | undefined) => void;
  onSituation: (part: Partial<Situation>) => void;
}

/** The photo of a specimen, with what it says of when and where it was taken. */
export function SpecimenPhoto({ has, situation, onPhoto, onSituation }: SpecimenPhotoProps) {
  const [facts, setFacts] = useState<PhotoFacts>();
  return (
    <>
      <PhotoButton has={has} onPhoto={onPhoto} onFile={(file) => void factsOf(file).then(setFacts)} />
      {facts && <FactsNotice facts={facts} situation={situation} onUse={onSituation} onClose={() => setFacts(undefined)} />}
    </>
  );
}
