import type { Measurement } from '@plesion/contract';
import { PixelPoint } from '@plesion/core/measure/schema';
import { type KeptPhoto, photosOf } from '@plesion/core/specimen';
import { useMemo } from 'react';
import { z } from 'zod';
import { useAddress } from '../../lib/useAddress';
import { useKeptState } from '../../lib/useKeptState';
import type { Bench } from '../analysis/useBench';
import { sayForm } from '../compare/FormPick';
import { usePhoto } from '../measure/usePhoto';
import { usePhotoUri } from '../photos/usePhotoUri';
import { drawnViews, formPlate, mainView } from '../plates/plates';
import { compiledOf } from '../records/compiled';
import { useMeasurements } from '../records/useMeasurements';
import type { Side } from './BesideView';
import type { Measurable } from './Differences';
import { type Way, WAYS } from './layers';
import { type Other, OTHERS, useOtherSpecimen } from './other';
import {
  type MatchedBy,
  measuredPair,
  measurementOn,
  OWN_PLACES,
  type Pair,
  photoPicture,
  type Picture,
  platePair,
  platePicture,
  waysToMatch,
} from './pictures';

const ADDRESS = ['photo', 'kind', 'form', 'view', 'specimen', 'other', 'by', 'way', 'mirrored'] as const;

/** The two places as they were set on each photo, or that they are to be set again; kept over a reload. */
const Places = z.object({ pairs: z.record(z.string(), z.union([z.tuple([PixelPoint, PixelPoint]), z.literal('again')])) });
const NO_PLACES: z.output<typeof Places> = { pairs: {} };

export interface Beside {
  /** The photo of this specimen, among its photos. */
  own: string;
  choose: (photo: string) => void;
  other: Other;
  /** The other photos of this specimen. */
  otherPhotos: readonly KeptPhoto[];
  changeOther: (part: Partial<Other>) => void;
  left?: Side;
  right?: Side;
  pair?: Pair;
  otherPair?: Pair;
  /** What the two are matched by, and what they can be. */
  by?: MatchedBy;
  offered: readonly MatchedBy[];
  matchBy: (id: string | undefined) => void;
  /** A photo on which the two places are still to be set. */
  missing?: { label: string; image: HTMLImageElement; hash: string };
  setPair: (hash: string, pair: Pair) => void;
  setAgain: () => void;
  way: Way;
  setWay: (way: Way) => void;
  mirrored: boolean;
  setMirrored: (mirrored: boolean) => void;
  /** The two, as they were measured. */
  measurable: [Measurable, Measurable] | undefined;
}

/** Two pictures side by side: which, how they are matched, and how they are looked at, as the address says it. */
export function useBeside(id: string, { stored, state, answer }: Bench): Beside {
  const { guide } = stored;
  const [address, setAddress] = useAddress(ADDRESS, 0);
  const [{ pairs }, keepPairs] = useKeptState(`beside.${id}`, Places, NO_PLACES);
  const photos = photosOf(state.content);
  const own = (photos.find(({ hash }) => hash === address.photo) ?? photos[0]).hash;
  const otherPhotos = photos.filter(({ hash }) => hash !== own);
  const views = drawnViews(guide);
  const asked = OTHERS.find((kind) => kind === address.kind) ?? (views.length ? 'plate' : 'specimen');
  const other: Other = {
    kind: asked === 'photo' && otherPhotos.length === 0 ? 'specimen' : asked,
    form: address.form ?? answer?.forms[0].form ?? compiledOf(guide).forms[0].id,
    view: views.find((view) => view.id === address.view)?.id ?? mainView(guide),
    specimen: address.specimen,
    photo: address.other,
  };
  const otherSpecimen = useOtherSpecimen(other.kind === 'specimen' ? other.specimen : undefined);
  const candidates =
    other.kind === 'photo' ? otherPhotos : other.kind === 'specimen' && otherSpecimen ? photosOf(otherSpecimen) : [];
  const otherHash = (candidates.find(({ hash }) => hash === other.photo) ?? candidates.at(0))?.hash;
  const otherId = other.kind === 'specimen' ? (other.specimen ?? id) : id;
  const photo = usePhotoPicture(own);
  const otherPhoto = usePhotoPicture(otherHash);
  const plate = formPlate(guide, other.form, other.view, 'full');
  const drawn = useMemo(() => plate && platePicture(plate), [plate]);
  const measured = useMeasurements(id).data?.measurements;
  const otherMeasured = useMeasurements(otherId).data?.measurements;

  const onPlate = (one: MatchedBy) => platePair(guide, other.form, other.view, one);
  const ways = waysToMatch(guide);
  const offered = other.kind === 'plate' ? ways.filter(onPlate) : [...ways, OWN_PLACES];
  const by = offered.find((one) => one.id === address.by);
  const keyOf = (hash: string) => `${hash} ${by?.id}`;
  const pairOn = (hash: string, measurements: readonly Measurement[] | undefined): Pair | undefined => {
    const set = pairs[keyOf(hash)];
    if (!by || set === 'again') return undefined;
    return set ?? measuredPair(by, measurementOn(measurements, by.id, hash));
  };
  const pair = pairOn(own, measured);
  const otherPair = other.kind === 'plate' ? by && onPlate(by) : otherHash ? pairOn(otherHash, otherMeasured) : undefined;
  const otherLabel = other.kind === 'plate' ? `plate: ${sayForm(guide, compiledOf(guide), other.form)}` : 'the other photo';
  const right: Picture | undefined = other.kind === 'plate' ? drawn : otherHash ? otherPhoto : undefined;
  const missing =
    by && photo && !pair
      ? { label: 'this photo', image: photo.image, hash: own }
      : by && otherHash && otherPhoto && !otherPair
        ? { label: 'the other photo', image: otherPhoto.image, hash: otherHash }
        : undefined;
  return {
    own,
    choose: (next) => setAddress({ photo: next, other: undefined }),
    other,
    otherPhotos,
    changeOther: ({ photo: next, ...part }) => setAddress({ ...part, other: next }),
    left: photo && { picture: photo, label: 'this photo' },
    right: right && { picture: right, label: otherLabel },
    pair,
    otherPair,
    by,
    offered,
    matchBy: (next) => setAddress({ by: next }),
    missing,
    setPair: (hash, next) => keepPairs({ pairs: { ...pairs, [keyOf(hash)]: next } }),
    setAgain: () =>
      keepPairs({
        pairs: { ...pairs, [keyOf(own)]: 'again', ...(otherHash ? { [keyOf(otherHash)]: 'again' as const } : {}) },
      }),
    way: WAYS.find((one) => one === address.way) ?? 'beside',
    setWay: (way) => setAddress({ way }),
    mirrored: address.mirrored === 'yes',
    setMirrored: (on) => setAddress({ mirrored: on ? 'yes' : undefined }),
    measurable: otherHash
      ? [
          { kind: 'photo', specimen: id, photo: own, measurements: measured },
          { kind: 'photo', specimen: otherId, photo: otherHash, measurements: otherMeasured },
        ]
      : other.kind === 'plate'
        ? [
            { kind: 'photo', specimen: id, photo: own, measurements: measured },
            { kind: 'plate', form: other.form },
          ]
        : undefined,
  };
}

/** A photo as it was sent, decoded; undefined until it is there, or where there is none. */
function usePhotoPicture(hash: string | undefined) {
  const uri = usePhotoUri(hash ?? '', 'original');
  const { image } = usePhoto(hash === undefined ? undefined : uri);
  return useMemo(() => image && photoPicture(uri, image), [uri, image]);
}
