import type { DeskRecord } from '@plesion/contract/review';
import { urlOf } from '@plesion/contract';
import { useEffect, useRef } from 'react';
import { Image } from 'react-native';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { focusHeading, PageHeading } from '../../ui/PageHeading';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { plain } from '../records/namedParts';
import { useGuide } from '../records/useGuide';
import { DeskRecordView } from './DeskRecordView';
import { saidParts } from './saidParts';
import { type LastWord, useDesk } from './useDesk';

/** The reviewer's desk: names that others gave, one after the other, those most worth a look first. */
export function DeskScreen() {
  const [{ guide: guideId }, setAddress] = useAddress(['guide'], 0);
  const desk = useDesk(guideId);
  const { found, left, today, record, ahead, problem, last } = desk;
  // The next one begins where the last did, for the eye and for a screen reader.
  const shown = useRef<string>(undefined);
  useEffect(() => {
    if (shown.current && shown.current !== record?.id) focusHeading();
    shown.current = record?.id;
  }, [record?.id]);
  return (
    <AsyncScreen what="The desk" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {({ guides }) => (
        <Screen widest={1240}>
          <Row gap="m" align="baseline" justify="between">
            <PageHeading>Desk</PageHeading>
            <Text quiet role="status">
              {[left === 0 ? 'nothing waits' : `${left} wait`, today > 0 && `${today} looked at today`]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </Row>
          {guides.length > 1 && (
            <Disclosure title={guides.find(({ id }) => id === guideId)?.title ?? 'Of all guides'}>
              <Picker
                label="Which guide"
                items={guides.map(({ id, title, n }) => ({ id, label: `${title} · ${n}` }))}
                chosen={guideId}
                onChange={(id) => setAddress({ guide: id })}
                onClear={() => setAddress({ guide: undefined })}
              />
            </Disclosure>
          )}
          {problem && <Notice kind="problem">{problem}</Notice>}
          {last && <LastSaid last={last} busy={desk.takingBack} onBack={() => void desk.takeBack()} />}
          {record ? (
            <DeskRecordView
              key={record.id}
              record={record}
              onSay={(word) => desk.tell(record, word)}
              onNext={left > 1 ? () => desk.leave(record) : undefined}
              onBack={last && (() => void desk.takeBack())}
            />
          ) : (
            <Empty title="Nothing waits for you">
              Names that others give wait here, unless it is known what they were, or somebody has agreed.
            </Empty>
          )}
          {ahead.map((one) => (
            <Ahead key={one.id} record={one} />
          ))}
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** What was said last stays in sight, and can be taken back. */
function LastSaid({ last: { record, sent }, busy, onBack }: { last: LastWord; busy: boolean; onBack: () => void }) {
  const guide = useGuide(record.guideId).data?.guide;
  if (!guide) return null;
  const parts = saidParts(guide, record, sent);
  return (
    <Row gap="m" align="center" oneLine>
      <Typeset size="small" parts={parts} fill />
      <Announce>{plain(parts)}</Announce>
      <Button small kind="quiet" label="Undo" hint={`Undo: ${plain(parts)}`} busy={busy} onPress={onBack} />
    </Row>
  );
}

/** The picture and the guide of one that comes soon are fetched meanwhile. */
function Ahead({ record: { guideId, media } }: { record: DeskRecord }) {
  useGuide(guideId);
  const hash = media.at(0)?.hash;
  useEffect(() => {
    if (hash) void Image.prefetch(urlOf('photo', { params: { hash } }));
  }, [hash]);
  return null;
}
