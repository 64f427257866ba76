import { type Certainty, CERTAINTIES } from '@plesion/core/observation';
import { coupletIndex, type StatementAnswer } from '@plesion/core/keys';
import { useRouter } from 'expo-router';
import { memo, useDeferredValue, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { space, useWide } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { KeyHelp } from '../reading/KeyHelp';
import { DangerNotice } from '../judgement/DangerNotice';
import { LotSpecimens } from '../lots/LotSpecimens';
import { LotUnitySheet, MixedNotice } from '../lots/LotUnitySheet';
import { SavingTrouble } from '../records/SavingTrouble';
import { KeyTreeView } from '../keys/KeyTreeView';
import { AheadSheet } from './AheadSheet';
import { forking, taking, ticking } from './answering';
import { CoupletPanel } from './CoupletPanel';
import { EndpointSheet } from './EndpointSheet';
import { IsItSheet } from './IsItSheet';
import { Trail } from './Trail';
import { useWalk, type OpenWalk } from './useWalk';
import { Missteps, WalkEnd } from './WalkEnd';
import { useWalkKeys, WALK_KEYS } from './walkKeys';

interface WalkScreenProps {
  keyId: string;
  specimenId?: string;
  lotId?: string;
  start?: string;
}

/** Walk a key: couplet by couplet, the way so far, and where it may end. */
export function WalkScreen({ keyId, ...target }: WalkScreenProps) {
  const { bench, error, retry } = useWalk(keyId, target);
  const wide = useWide();
  return (
    <AsyncScreen what="The key" value={bench} error={error} retry={retry}>
      {(open) => (wide ? <WideWalk bench={open} /> : <PhoneWalk bench={open} />)}
    </AsyncScreen>
  );
}

/** What is in sight, who answers, and how sure the next decision is. */
function useSight(bench: OpenWalk) {
  const { at, trail } = bench.result;
  const [looked, setLooked] = useState<string>();
  const [specimen, setSpecimen] = useState<string>();
  const [certainty, setCertainty] = useState<Certainty>('sure');
  // A decision made or taken back leads on to what is next; until then one may look back.
  const way = trail.map((step) => step.couplet + (step.lead ?? '')).join(' ');
  const [walked, setWalked] = useState(way);
  if (walked !== way) {
    setWalked(way);
    setLooked(undefined);
  }
  const back = looked;
  const shown = back ?? at ?? undefined;
  return {
    shown,
    atEnd: back === undefined && at === null && trail.length > 0,
    show: setLooked,
    specimen: bench.lot ? (specimen ?? bench.specimens[0]?.id) : undefined,
    setSpecimen,
    certainty,
    setCertainty,
  };
}

const Head = memo(function Head({ bench }: { bench: OpenWalk }) {
  const router = useRouter();
  const only = bench.lot ? undefined : bench.specimens[0];
  return (
    <Row gap="xs" align="center" oneLine>
      <Box fill>
        <PageHeading size="title" title={`Walk: ${bench.stored.key.title}`} numberOfLines={2}>
          {bench.stored.key.title}
        </PageHeading>
        <Text size="small" quiet>
          {bench.lot
            ? bench.lot.label
            : only
              ? only.state.content.label || 'a specimen without label'
              : 'for no specimen: nothing is recorded'}
        </Text>
      </Box>
      <Button small kind="quiet" label="Undo" disabled={!bench.canUndo} onPress={bench.undo} />
      <Button
        small
        kind="quiet"
        label="The key"
        hint="Open the page of the key"
        onPress={() => router.push(`/keys/${bench.stored.id}`)}
      />
    </Row>
  );
});

const Troubles = memo(function Troubles({ bench }: { bench: OpenWalk }) {
  const { caution } = bench.stored.key;
  return (
    <>
      {bench.guide && bench.specimens.length > 0 ? (
        <DangerNotice guide={bench.guide.guide} answer={bench.standing} />
      ) : (
        caution && (
          <Notice kind="caution" title="Take care">
            {caution}
          </Notice>
        )
      )}
      {bench.newer && (
        <Notice
          kind="note"
          title={`This walk follows version ${bench.stored.version}`}
          action={<Button small label="Use the new version" onPress={bench.takeNewer} />}
        >
          {`The key is at version ${bench.newer.version} now. Decisions at couplets that changed would be asked again.`}
        </Notice>
      )}
      <MixedNotice bench={bench} />
      {bench.specimens.map(({ id, draft, state }) => (
        <SavingTrouble key={id} draft={draft} state={state} />
      ))}
    </>
  );
});

function PhoneWalk({ bench }: { bench: OpenWalk }) {
  const sight = useSight(bench);
  // What stands round the couplet may come a moment later than the couplet itself.
  const calm = useDeferredValue(bench);
  return (
    <Screen>
      <Head bench={calm} />
      <Troubles bench={calm} />
      <Trail bench={calm} shown={useDeferredValue(sight.shown)} onShow={sight.show} />
      {bench.lot && <LotSpecimens specimens={bench.specimens} chosen={sight.specimen} onChoose={sight.setSpecimen} />}
      {sight.atEnd && <WalkEnd bench={bench} onShow={sight.show} />}
      {sight.shown && (
        <CoupletPanel
          key={sight.shown}
          bench={bench}
          couplet={sight.shown}
          specimen={sight.specimen}
          certainty={sight.certainty}
          onCertainty={sight.setCertainty}
        />
      )}
      {!sight.atEnd && <EndpointSheet bench={calm} />}
      <LotUnitySheet bench={calm} />
      {sight.shown && <AheadSheet bench={calm} from={sight.shown} />}
      {!sight.atEnd && <Missteps bench={calm} onShow={sight.show} />}
      <IsItSheet bench={calm} onShow={sight.show} />
      <Again bench={bench} />
    </Screen>
  );
}

function Again({ bench }: { bench: OpenWalk }) {
  if (bench.result.trail.length === 0) return null;
  return (
    <Row justify="end">
      <Button small kind="quiet" label="Begin again" hint="Begin the walk again; undo brings it back" onPress={bench.restart} />
    </Row>
  );
}

const TICKS: Record<string, StatementAnswer> = { f: 'fits', d: 'does-not', p: 'in-part', v: 'cannot-see' };

function WideWalk({ bench }: { bench: OpenWalk }) {
  const sight = useSight(bench);
  const calm = useDeferredValue(bench);
  const router = useRouter();
  const [help, setHelp] = useState(false);
  const [cursor, setCursor] = useState<{ couplet: string; at: number }>();
  const { result, stored } = bench;
  const couplet = sight.shown ? coupletIndex(stored.key).get(sight.shown) : undefined;
  const statements = couplet?.leads.flatMap((lead) => lead.statements) ?? [];
  const at = cursor && cursor.couplet === couplet?.id ? Math.min(cursor.at, statements.length - 1) : 0;
  const chosen = statements[at]?.n;
  const way = [...result.trail.map((step) => step.couplet), ...(result.at ? [result.at] : [])];
  const move = (by: number) => {
    const here = sight.shown ? way.indexOf(sight.shown) : way.length;
    const next = way[Math.max(0, Math.min(way.length - 1, here + by))];
    if (next) sight.show(next === result.at ? undefined : next);
  };
  const act = (key: string, shift: boolean): (() => void) | undefined => {
    const lead = couplet?.leads.find(({ id }) => id === key);
    if (lead && !(key in TICKS)) {
      return () => bench.answer(couplet!.id, taking(lead.id, sight.certainty));
    }
    const held = statements[at] && bench.withheld(statements[at]) && TICKS[key] !== 'cannot-see';
    if (key in TICKS && couplet && chosen !== undefined && !held) {
      return () => {
        bench.answer(couplet.id, ticking(chosen, TICKS[key], sight.specimen));
        setCursor({ couplet: couplet.id, at: Math.min(statements.length - 1, at + 1) });
      };
    }
    if (/^[1-9]$/.test(key) && bench.lot && bench.specimens[Number(key) - 1]) {
      return () => sight.setSpecimen(bench.specimens[Number(key) - 1].id);
    }
    switch (key) {
      case 'j':
      case 'ArrowDown':
        return () => couplet && setCursor({ couplet: couplet.id, at: Math.min(statements.length - 1, at + 1) });
      case 'k':
      case 'ArrowUp':
        return () => couplet && setCursor({ couplet: couplet.id, at: Math.max(0, at - 1) });
      case 's':
        return () => sight.setCertainty(CERTAINTIES[(CERTAINTIES.indexOf(sight.certainty) + 1) % CERTAINTIES.length]);
      case 'q':
        return () => couplet && bench.answer(couplet.id, forking());
      case '[':
      case 'ArrowLeft':
        return () => move(-1);
      case ']':
      case 'ArrowRight':
        return () => move(1);
      case 'u':
        return shift ? bench.redo : bench.undo;
      case 'w':
        return bench.lot || !bench.specimens[0] ? undefined : () => router.push(`/specimens/${bench.specimens[0].id}/name`);
      case '?':
        return () => setHelp(!help);
      default:
        return undefined;
    }
  };
  useWalkKeys(act);
  const lit = new Set(
    result.trail.flatMap((step) => (step.lead ? [step.couplet + step.lead] : step.leads.map(({ lead }) => step.couplet + lead))),
  );
  return (
    <Row fill tone="mist" oneLine="always" gap="none">
      <ScrollView style={styles.middle} contentContainerStyle={styles.column}>
        {help && <KeyHelp keys={WALK_KEYS} onClose={() => setHelp(false)} />}
        <Head bench={calm} />
        <Troubles bench={calm} />
        <Trail bench={calm} shown={useDeferredValue(sight.shown)} onShow={sight.show} />
        {bench.lot && <LotSpecimens specimens={bench.specimens} chosen={sight.specimen} onChoose={sight.setSpecimen} numbered />}
        {sight.atEnd && <WalkEnd bench={bench} onShow={sight.show} />}
        {couplet && (
          <CoupletPanel
            key={couplet.id}
            bench={bench}
            couplet={couplet.id}
            specimen={sight.specimen}
            certainty={sight.certainty}
            onCertainty={sight.setCertainty}
            chosen={chosen}
            keys
          />
        )}
        <Again bench={bench} />
        <Card title="The walk in the tree">
          <KeyTreeView
            keyed={stored.key}
            guide={bench.guide?.guide}
            lit={lit}
            at={sight.shown}
            onOpen={sight.show}
            height={320}
          />
        </Card>
      </ScrollView>
      <ScrollView style={styles.right} contentContainerStyle={styles.column}>
        <EndpointSheet bench={calm} />
        <LotUnitySheet bench={calm} />
        {!sight.atEnd && <Missteps bench={calm} onShow={sight.show} />}
        {couplet && <AheadSheet bench={calm} from={couplet.id} />}
        <IsItSheet bench={calm} onShow={sight.show} />
        <Button small kind="quiet" label="Keys (?)" hint="Show the keys of the keyboard" onPress={() => setHelp(!help)} />
      </ScrollView>
    </Row>
  );
}

const styles = StyleSheet.create({
  middle: { flex: 1 },
  right: { width: 328, flexGrow: 0 },
  column: { padding: space.l, gap: space.m },
});
