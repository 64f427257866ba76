import { type StoredKey, urlOf } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { api } from '../../lib/api';
import { useWide } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Failed } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useGuide } from '../records/useGuide';
import { KeyProblems } from './KeyProblems';
import { KeyText } from './KeyText';
import { KeyTreeView } from './KeyTreeView';
import { useKey } from '../records/useKeys';

/** A key: what it is for, its picture, what is wrong with it, and its couplets. */
export function KeyPage({ id }: { id: string }) {
  const [version, setVersion] = useState<number>();
  const newest = useKey(id);
  const earlier = useKey(version === undefined ? undefined : id, version);
  const stored = version === undefined ? newest : earlier;
  const guide = useGuide(stored.data?.guideId);
  const awaited = stored.data?.guideId && !guide.data && !guide.error;
  return (
    <AsyncScreen
      what="The key"
      value={awaited ? undefined : stored.data}
      error={stored.error}
      retry={() => void stored.refetch()}
    >
      {(shown) => <Page stored={shown} newest={newest.data ?? shown} guide={guide.data?.guide} onVersion={setVersion} />}
    </AsyncScreen>
  );
}

interface PageProps {
  stored: StoredKey;
  newest: StoredKey;
  guide?: Guide;
  onVersion: (version: number | undefined) => void;
}

function Page({ stored, newest, guide, onVersion }: PageProps) {
  const router = useRouter();
  const wide = useWide();
  const { id, key, problems, paths } = stored;
  const actions = (
    <Row justify="end" oneLine>
      <Button label="Edit" hint="Edit this key" onPress={() => router.push(`/keys/${id}/edit`)} />
      <Button kind="main" label="Walk it" onPress={() => router.push(`/keys/${id}/walk`)} />
    </Row>
  );
  return (
    // Below the thumb on a phone; beside the heading where there is room, and a keyboard that would come to the foot last.
    <Screen widest={1080} foot={!wide && actions}>
      <Stack gap="xs">
        <Box across={wide} justify="between" gap={wide ? 'm' : undefined}>
          <PageHeading>{key.title}</PageHeading>
          {wide && actions}
        </Box>
        <Text quiet>
          {[
            `${stored.couplets} couplets`,
            `${stored.endpoints} endings`,
            `at most ${stored.depth} steps`,
            `version ${stored.version}`,
          ].join(' · ')}
        </Text>
        {key.summary && <Text>{key.summary}</Text>}
        {key.source && (
          <Text size="small" quiet>
            {key.source}
          </Text>
        )}
      </Stack>
      {stored.hidden && <Restore stored={stored} />}
      {newest.version > 1 && <Versions stored={stored} newest={newest} onVersion={onVersion} />}
      {key.caution && (
        <Notice kind="caution" title="Take care">
          {key.caution}
        </Notice>
      )}
      {paths && <PathsSheet paths={paths} />}
      <Card title="The key as a tree">
        <KeyTreeView
          keyed={key}
          guide={guide}
          height={wide ? 460 : 340}
          onOpen={(couplet) => router.push(`/keys/${id}/walk?start=${couplet}`)}
        />
      </Card>
      <KeyProblems problems={problems} onOpen={(couplet) => router.push(`/keys/${id}/edit?couplet=${couplet}`)} />
      <KeyText keyed={key} guide={guide} hrefOf={(couplet) => `/keys/${id}/walk?start=${couplet}`} />
      <OfIt id={id} />
      <WriteOut id={id} />
      {!stored.hidden && <Remove stored={stored} />}
    </Screen>
  );
}

/** Versions offered at once. */
const SHOWN = 12;

/** Every version is kept: look at an earlier one, and bring it back as the newest. */
function Versions({ stored, newest, onVersion }: Omit<PageProps, 'guide'>) {
  const client = useQueryClient();
  const back = useMutation({
    mutationFn: () =>
      api('writeKey', {
        params: { id: stored.id },
        body: { version: newest.version, guideId: stored.guideId, key: stored.key, hidden: newest.hidden },
      }),
    onSuccess: (next) => {
      client.setQueryData(['key', stored.id], next);
      void client.invalidateQueries({ queryKey: ['keys'] });
      onVersion(undefined);
    },
  });
  const numbers = Array.from({ length: Math.min(SHOWN, newest.version) }, (_, i) => newest.version - i);
  const old = stored.version !== newest.version;
  return (
    <Card
      title="Versions"
      aside={
        old && <Button small label={`Bring version ${stored.version} back`} busy={back.isPending} onPress={() => back.mutate()} />
      }
    >
      {back.error && <Failed error={back.error} />}
      <ChoiceGroup
        label="Versions"
        hideLabel
        options={numbers.map((n) => ({ id: String(n), label: n === newest.version ? `${n}, the newest` : String(n) }))}
        chosen={[String(stored.version)]}
        onChange={([n]) => onVersion(Number(n) === newest.version ? undefined : Number(n))}
      />
    </Card>
  );
}

/** How short the ways of a made key are, beside what is possible. */
export function PathsSheet({ paths }: { paths: NonNullable<StoredKey['paths']> }) {
  const one = (value: number) => value.toFixed(2);
  return (
    <Card title="How short it is">
      <Row gap="l">
        <Figure value={one(paths.meanPath)} label="couplets to a name, on the average" />
        <Figure value={String(paths.worstPath)} label="at most" />
        <Figure value={one(paths.entropyBound)} label="no key can do with fewer (entropy)" />
        {paths.optimum !== undefined && <Figure value={one(paths.optimum)} label="the shortest there is, exactly" />}
      </Row>
      {paths.stopped && (
        <Notice kind="problem" title="Ended early">
          {paths.stopped}
        </Notice>
      )}
      {paths.together.length > 0 && (
        <Text size="small">
          {`Nothing allowed tells apart: ${paths.together.map((names) => names.join(' and ')).join('; ')}.`}
        </Text>
      )}
    </Card>
  );
}

const Figure = ({ value, label }: { value: string; label: string }) => (
  <Box fill={140} least={120}>
    <Text size="title" figures>
      {value}
    </Text>
    <Text size="small" quiet>
      {label}
    </Text>
  </Box>
);

function OfIt({ id }: { id: string }) {
  const router = useRouter();
  return (
    <Card title="A guide of it">
      <Text quiet>
        Read a specimen in any order, with parts missing: what the leads say becomes characters, and each ending is weighed.
      </Text>
      <Row>
        <Button small label="Make a guide of it" onPress={() => router.push(`/keys/guide?key=${id}`)} />
      </Row>
    </Card>
  );
}

function WriteOut({ id }: { id: string }) {
  const params = { id };
  const ways: [string, string][] = [
    ['Text, bracketed', urlOf('keyText', { params, query: { style: 'bracketed' } })],
    ['Text, indented', urlOf('keyText', { params, query: { style: 'indented' } })],
    ['Markdown', urlOf('keyText', { params, query: { style: 'markdown' } })],
    ['Sheet to print (A5)', urlOf('keySheet', { params })],
    ['SDD', urlOf('keySdd', { params })],
    ['Plesion JSON', urlOf('keyJson', { params })],
  ];
  return (
    <Card title="Write it out">
      <Row>
        {ways.map(([label, url]) => (
          <Button key={label} small label={label} onPress={() => window.open(url, '_blank')} />
        ))}
      </Row>
    </Card>
  );
}

function useHide({ id, version, guideId, key }: StoredKey) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (hidden: boolean) => api('writeKey', { params: { id }, body: { version, guideId, key, hidden } }),
    onSuccess: (next) => {
      client.setQueryData(['key', id], next);
      void client.invalidateQueries({ queryKey: ['keys'] });
    },
  });
}

function Remove({ stored }: { stored: StoredKey }) {
  const hide = useHide(stored);
  return (
    <Row justify="end" oneLine>
      {hide.error && <Failed error={hide.error} />}
      <Button small kind="quiet" label="Remove this key" busy={hide.isPending} onPress={() => hide.mutate(true)} />
    </Row>
  );
}

function Restore({ stored }: { stored: StoredKey }) {
  const hide = useHide(stored);
  return (
    <Notice
      kind="note"
      title="Removed"
      action={<Button small label="Restore" busy={hide.isPending} onPress={() => hide.mutate(false)} />}
    >
      It is kept and can be restored.
    </Notice>
  );
}
