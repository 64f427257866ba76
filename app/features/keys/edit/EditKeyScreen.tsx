import type { StoredGuide } from '@plesion/contract';
import { type Couplet, coupletIndex, type Key, lintKey, renumber } from '@plesion/core/keys';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { FlatList, StyleSheet } from 'react-native';
import { colour, radius, space, useWide } from '../../../theme';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/TextField';
import { PageHeading } from '../../../ui/PageHeading';
import { Screen } from '../../../ui/Screen';
import { AsyncScreen } from '../../../ui/AsyncScreen';
import { Box } from '../../../ui/Box';
import { PressBox } from '../../../ui/PressBox';
import { Row } from '../../../ui/Row';
import { Stack } from '../../../ui/Stack';
import { Text } from '../../../ui/Text';
import { RecordTrouble } from '../../records/SavingTrouble';
import { useGuide } from '../../records/useGuide';
import { KeyProblems } from '../KeyProblems';
import { type KeyDraft, type KeyDraftState, useKeyDraft } from '../../records/useKeys';
import { CoupletEditor } from './CoupletEditor';

/** Mend a key: every change is kept on the device and can be undone; saving makes a version. */
export function EditKeyScreen({ id, couplet }: { id: string; couplet?: string }) {
  const { draft, state, error, refetch } = useKeyDraft(id);
  const guide = useGuide(state?.content.guideId);
  const awaited = state?.content.guideId && !guide.data && !guide.error;
  return (
    <AsyncScreen what="The key" value={draft && state && !awaited ? { draft, state } : undefined} error={error} retry={refetch}>
      {(open) => <Editor id={id} {...open} stored={guide.data} first={couplet} />}
    </AsyncScreen>
  );
}

interface EditorProps {
  id: string;
  draft: KeyDraft;
  state: KeyDraftState;
  stored?: StoredGuide;
  first?: string;
}

function Editor({ id, draft, state, stored, first }: EditorProps) {
  const wide = useWide();
  const { key } = state.content;
  const [chosen, choose] = useState(first ?? key.start);
  const couplet = coupletIndex(key).get(chosen) ?? key.couplets[0];
  const checked = useDeferredValue(key);
  const problems = useMemo(() => lintKey(checked, stored?.guide), [checked, stored]);
  const change = (next: (key: Key) => Key) => draft.change((content) => ({ ...content, key: next(content.key) }));
  return (
    <Screen widest={1180} foot={<SaveBar id={id} draft={draft} state={state} onRenumber={() => change(renumber)} />}>
      <PageHeading size="title" title={`Edit: ${key.title}`}>
        Edit the key
      </PageHeading>
      <Row gap="m" oneLine>
        <Box fill>
          <TextField
            label="Title of the key"
            value={key.title}
            maxLength={200}
            onChangeText={(title) => title && change((now) => ({ ...now, title }))}
          />
        </Box>
      </Row>
      <RecordTrouble
        draft={draft}
        state={state}
        what="key"
        sayThere={({ version, couplets }) =>
          `It is at version ${version} there, with ${couplets} couplets. Every version is kept.`
        }
        mine="Mine on top of it"
      />
      <Stack gap="m" style={wide && styles.beside}>
        <CoupletList
          keyed={key}
          chosen={couplet.id}
          faults={new Set(problems.flatMap(({ couplet: c, weight }) => (c && weight === 'fault' ? [c] : [])))}
          onChoose={choose}
          tall={wide}
        />
        <Stack gap="m" fill>
          <CoupletEditor keyed={key} couplet={couplet} guide={stored?.guide} onChange={change} onGo={choose} />
          <KeyProblems problems={problems} onOpen={choose} />
        </Stack>
      </Stack>
    </Screen>
  );
}

function CoupletList({
  keyed,
  chosen,
  faults,
  onChoose,
  tall,
}: {
  keyed: Key;
  chosen: string;
  faults: ReadonlySet<string>;
  onChoose: (id: string) => void;
  tall: boolean;
}) {
  const button = ({ item: couplet }: { item: Couplet }) => (
    <PressBox
      role="tab"
      aria-selected={couplet.id === chosen}
      accessibilityLabel={tall ? undefined : `Couplet ${couplet.number}${faults.has(couplet.id) ? ', to mend' : ''}`}
      onPress={() => onChoose(couplet.id)}
      align="center"
      justify="center"
      least="touch"
      ruled="round"
      ruledIn="hairline"
      touch
      round="m"
      tone="sheet"
      style={[tall && styles.numberTall, faults.has(couplet.id) && styles.fault, couplet.id === chosen && styles.on]}
    >
      <Text strong color={couplet.id === chosen ? colour.kelp : colour.ink}>
        {couplet.number}
      </Text>
      {tall && (
        <Text size="small" quiet numberOfLines={1} fill>
          {couplet.leads[0]?.statements[0]?.text ?? '…'}
        </Text>
      )}
      {tall && faults.has(couplet.id) && (
        <Text size="small" color={colour.hazard}>
          to mend
        </Text>
      )}
    </PressBox>
  );
  // Thousands of couplets are listed as they come into sight.
  return (
    <FlatList
      data={keyed.couplets}
      keyExtractor={({ id }) => id}
      renderItem={button}
      extraData={chosen}
      initialNumToRender={24}
      horizontal={!tall}
      showsHorizontalScrollIndicator={false}
      role="tablist"
      aria-label="Couplets"
      style={tall ? styles.list : styles.row}
      contentContainerStyle={tall ? styles.listContent : styles.along}
    />
  );
}

function SaveBar({
  id,
  draft,
  state,
  onRenumber,
}: {
  id: string;
  draft: KeyDraft;
  state: KeyDraftState;
  onRenumber: () => void;
}) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const clean = state.saving.at === 'saved';
  const save = async () => {
    setBusy(true);
    const saving = await draft.flush();
    setBusy(false);
    if (saving.at === 'saved') router.replace(`/keys/${id}`);
  };
  return (
    <Row gap="xs" align="center">
      <Button small kind="quiet" label="Undo" disabled={!state.canUndo} onPress={draft.undo} />
      <Button small kind="quiet" label="Redo" disabled={!state.canRedo} onPress={draft.redo} />
      <Button small kind="quiet" label="Renumber" hint="Renumber couplets in the order they are met" onPress={onRenumber} />
      <Text size="small" quiet fill role="status">
        {clean ? `version ${state.content.version}` : 'changes kept on this device'}
      </Text>
      <Button
        kind="main"
        label={clean ? 'Done' : `Save as version ${state.content.version + 1}`}
        busy={busy}
        onPress={() => (clean ? router.replace(`/keys/${id}`) : void save())}
      />
    </Row>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', alignItems: 'flex-start' },
  list: {
    width: 236,
    maxHeight: 640,
    flexGrow: 0,
    backgroundColor: colour.sheet,
    borderRadius: radius.l,
    borderWidth: 1,
    borderColor: colour.edge,
  },
  listContent: { padding: space.s, gap: space.xs },
  row: { flexGrow: 0, flexShrink: 0 },
  along: { gap: space.xs },
  numberTall: { flexDirection: 'row', justifyContent: 'flex-start', paddingHorizontal: space.m, gap: space.s },
  fault: { borderColor: colour.hazard, borderStyle: 'dashed' },
  on: { borderColor: colour.kelp, borderWidth: 2, backgroundColor: colour.kelpWash },
});
