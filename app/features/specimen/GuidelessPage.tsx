import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { GuidePick } from '../guides/GuidePick';
import { KeyItSheet } from '../keys/KeyItSheet';
import { PhotosSheet } from '../photos/PhotosSheet';
import type { Draft, DraftState } from '../records/draft';
import { SavingLine } from '../records/SavingLine';
import { useGuides } from '../records/useGuide';
import { History } from './History';
import { SpecimenFrame } from './SpecimenFrame';

/** A specimen that no guide stands behind: it has its place, its photo, its walk through a key, and the names given by hand. */
export function GuidelessPage({ id, draft, state }: { id: string; draft: Draft; state: DraftState }) {
  const router = useRouter();
  const { content } = state;
  return (
    <SpecimenFrame
      id={id}
      draft={draft}
      state={state}
      facts={['no guide']}
      beside={<Button label="Situation" onPress={() => router.push(`/specimens/${id}/situation`)} />}
      nameIt="Name it by hand"
    >
      <SavingLine state={state} />
      <PhotosSheet id={id} content={content} onChange={draft.change} />
      <KeyItSheet id={id} content={content} />
      <History determinations={content.determinations} />
      {content.determinations.length === 0 && <GiveGuide id={id} draft={draft} />}
    </SpecimenFrame>
  );
}

/** A guide can be given to it as long as no name rests on doing without. */
function GiveGuide({ id, draft }: { id: string; draft: Draft }) {
  const router = useRouter();
  const guides = useGuides().data?.guides ?? [];
  const [chosen, choose] = useState<string>();
  const give = () => {
    draft.change((now) => ({ ...now, guideId: chosen }));
    router.replace(`/specimens/${id}/bench`);
  };
  if (guides.length === 0) return null;
  return (
    <Card title="Give it a guide">
      <GuidePick rows={guides} chosen={chosen} onChange={choose} />
      <Box align="end">
        <Button label="To the Bench with it" disabled={!chosen} onPress={give} />
      </Box>
    </Card>
  );
}
