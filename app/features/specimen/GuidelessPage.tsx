import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { GuidePick } from '../guides/GuidePick';
import { KeyItSheet } from '../keys/KeyItSheet';
import { PhotoButton } from '../photos/PhotoButton';
import { usePhotoUri } from '../photos/usePhotoUri';
import type { Draft, DraftState } from '../records/draft';
import { SavingLine } from '../records/SavingLine';
import { SavingTrouble } from '../records/SavingTrouble';
import { saySituation } from '../records/situationText';
import { useGuides } from '../records/useGuide';
import { RemovedNotice } from './RemovedNotice';
import { History } from './History';

/** A specimen that no guide stands behind: it has its place, its photo, its walk through a key, and the names given by hand. */
export function GuidelessPage({ id, draft, state }: { id: string; draft: Draft; state: DraftState }) {
  const router = useRouter();
  const { content } = state;
  const last = content.determinations.at(-1);
  const hide = (hidden: boolean) => draft.change((now) => ({ ...now, hidden }));
  return (
    <Screen
      foot={
        <View style={styles.actions}>
          <Button label="Situation" onPress={() => router.push(`/specimens/${id}/situation`)} />
          <Button
            kind="main"
            label={last ? 'Name it again' : 'Name it by hand'}
            onPress={() => router.push(`/specimens/${id}/name`)}
          />
        </View>
      }
    >
      <SavingTrouble draft={draft} state={state} />
      {content.hidden && <RemovedNotice onPutBack={() => hide(false)} />}
      <View style={styles.head}>
        {last ? (
          <TaxonName {...last} size={30} />
        ) : (
          <Text size="display" heading={1}>
            Not yet named
          </Text>
        )}
        <Text quiet>{['no guide', content.label].filter(Boolean).join(' · ')}</Text>
        <Text quiet>{saySituation(content.situation) || 'no place or date'}</Text>
        {content.situation.note && <Text>{content.situation.note}</Text>}
        <SavingLine state={state} />
      </View>
      {content.photo && <Photo hash={content.photo} />}
      <PhotoButton has={Boolean(content.photo)} onPhoto={(photo) => draft.change((now) => ({ ...now, photo }))} />
      <KeyItSheet id={id} content={content} />
      <History determinations={content.determinations} />
      {content.determinations.length === 0 && <GiveGuide id={id} draft={draft} />}
      {!content.hidden && <Button kind="quiet" label="Remove from the daybook" onPress={() => hide(true)} />}
    </Screen>
  );
}

function Photo({ hash }: { hash: string }) {
  const uri = usePhotoUri(hash);
  return <Image source={{ uri }} accessibilityLabel="Photo of the specimen" resizeMode="contain" style={styles.photo} />;
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
      <View style={styles.actions}>
        <Button label="To the Bench with it" disabled={!chosen} onPress={give} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  head: { gap: space.xs },
  actions: { flexDirection: 'row', gap: space.m, justifyContent: 'flex-end', flexWrap: 'wrap' },
  photo: { width: '100%', maxWidth: 640, height: 320, borderRadius: radius.l, backgroundColor: colour.paper },
});
