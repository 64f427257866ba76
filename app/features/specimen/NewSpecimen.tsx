import type { Guide } from '@plesion/core/guide';
import type { Situation } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { today } from '../../lib/dates';
import { Failed, Loading } from '../../ui/states';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { PageHeading } from '../../ui/PageHeading';
import { GuidePick, NO_GUIDE } from '../guides/GuidePick';
import { rememberGuide, usualGuide } from '../records/usualGuide';
import { useGuide, useGuides } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { startDraft } from '../records/drafts';
import { SituationForm } from './SituationForm';

/** What is usual to begin with: in the hand, but not where something dangerous might be. */
const nearness = ({ taxa }: Guide): Pick<Situation, 'distance' | 'handling'> =>
  taxa.some(({ hazards }) => hazards?.some(({ grade }) => grade !== 'slight'))
    ? { distance: 'near', handling: 'look' }
    : { distance: 'hand', handling: 'hold' };

/** A new specimen: which guide, what one has of it, where and when; then the Bench. */
export function NewSpecimen({ guideId: wanted }: { guideId?: string }) {
  const router = useRouter();
  const station = useSession().station.id;
  const guides = useGuides();
  const [picked, setPicked] = useState(wanted);
  const guideId = picked ?? usualGuide(guides.data?.guides ?? []);
  const without = guideId === NO_GUIDE;
  const guide = useGuide(without ? undefined : guideId);
  // In the address, so that a reload finds the form that was begun.
  const pick = (guide: string) => {
    setPicked(guide);
    router.setParams({ guide });
  };
  const begin = (label: string, situation: Situation) => {
    const id = mintId();
    const content = { version: 0, label, situation, readings: [], determinations: [], hidden: false };
    if (without) {
      startDraft(station, id, content);
      return router.replace(`/specimens/${id}`);
    }
    rememberGuide(guideId!);
    startDraft(station, id, { ...content, guideId: guideId! });
    router.replace(`/specimens/${id}/bench`);
  };
  return (
    <Screen widest={720}>
      <PageHeading>A new specimen</PageHeading>
      {guides.error && <Failed error={guides.error} retry={() => void guides.refetch()} />}
      {(guides.data?.guides.length ?? 0) > 0 && (
        <Card>
          <GuidePick rows={guides.data!.guides} chosen={guideId} onChange={pick} without />
        </Card>
      )}
      {without ? (
        <>
          <Notice kind="note" title="Without a guide">
            Nothing is weighed, and no danger is told of. Name it by a key alone, or by hand; a guide can be given to it later.
          </Notice>
          <SituationForm
            key="none"
            about="new.none"
            label=""
            submitLabel="Into the daybook"
            onSubmit={begin}
            situation={{ date: today(), light: 'fair' }}
          />
        </>
      ) : guide.data ? (
        <>
          <Notice kind="caution" title="Take care">
            {guide.data.guide.caution}
          </Notice>
          <SituationForm
            key={guideId}
            about={`new.${guideId}`}
            guide={guide.data.guide}
            label=""
            submitLabel="To the Bench"
            onSubmit={begin}
            situation={{ date: today(), light: 'fair', ...nearness(guide.data.guide) }}
          />
        </>
      ) : guide.error ? (
        <Failed error={guide.error} retry={() => void guide.refetch()} />
      ) : (
        <Loading what="The guide" />
      )}
    </Screen>
  );
}
