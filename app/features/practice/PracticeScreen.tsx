import type { StoredGuide } from '@plesion/contract';
import type { NextWhy } from '@plesion/core/practice';
import { Suspense, useDeferredValue } from 'react';
import { useAddress } from '../../lib/useAddress';
import { lazyPart } from '../../ui/lazyPart';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { mainView } from '../plates/plates';
import { WithGuide } from '../records/WithGuide';
import { PracticeItem } from './PracticeItem';
import { PracticeSettings } from './PracticeSettings';
import { usePractice } from './usePractice';
import { FIELDS, wantedOf } from './wanted';
import type { Wanted } from './ways';

/** Who names one at a time does not load what shows many, or walks a key. */
const FlockItem = lazyPart(
  () => import('./FlockItem'),
  (flock) => flock.FlockItem,
);
const PhotoPractice = lazyPart(
  () => import('./PhotoPractice'),
  (photos) => photos.PhotoPractice,
);
const WalkPractice = lazyPart(
  () => import('./WalkPractice'),
  (walk) => walk.WalkPractice,
);

/** Individuals of a guide that nobody has seen before, to be told apart. */
export function PracticeScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="Practice">
      {(stored) =>
        mainView(stored.guide) ? (
          <Practice stored={stored} />
        ) : (
          <Empty title="Nothing to practise with">
            Nothing of this guide is drawn yet: its characters have no tiles, and it has no body plan. Both are given where the
            guide is edited.
          </Empty>
        )
      }
    </WithGuide>
  );
}

function Practice({ stored }: { stored: StoredGuide }) {
  const { guide } = stored;
  const [address, setAddress] = useAddress([...FIELDS], 0);
  const wanted = wantedOf(guide, address);
  // The individual is seen before what may be set.
  const later = useDeferredValue(true, false);
  return (
    <Screen widest={860}>
      <PageHeading>Practice</PageHeading>
      <Text quiet>{guide.title}</Text>
      {wanted.way === 'walk' ? (
        <Suspense fallback={<Loading what="The key" />}>
          <WalkPractice stored={stored} wanted={wanted} keyId={address.key} onKey={(key) => setAddress({ key })} />
        </Suspense>
      ) : wanted.way === 'photos' ? (
        <Suspense fallback={<Loading what="The photographs" />}>
          <PhotoPractice stored={stored} wanted={wanted} />
        </Suspense>
      ) : (
        <Shown stored={stored} wanted={wanted} />
      )}
      {later && <PracticeSettings guide={guide} wanted={wanted} address={address} setAddress={setAddress} />}
    </Screen>
  );
}

/** One individual, or many at once, to be answered. */
function Shown({ stored, wanted }: { stored: StoredGuide; wanted: Wanted }) {
  const practice = usePractice(stored, wanted);
  if (!practice.current) return <Loading what="Practice" />;
  const { item, asked, why } = practice.current;
  const { guide } = stored;
  if (!item) return <Empty title="Nothing of that can be drawn">Choose another view, or another way below.</Empty>;
  const common = { guide, item, why: why && WHY_WORDS[why], practice };
  return item.flock ? (
    <Suspense fallback={<Loading what="The flock" />}>
      <FlockItem key={item.seed} {...common} glimpse={asked.glimpse} />
    </Suspense>
  ) : (
    <PracticeItem key={`${item.seed} ${JSON.stringify(asked)}`} {...common} asked={asked} />
  );
}

const WHY_WORDS: Record<NextWhy, string> = {
  due: 'Due: you learned these two before.',
  confused: 'You took these two for each other.',
  new: 'Two that are new to you.',
  kept: 'Nothing is due; these two you may have forgotten first.',
};
