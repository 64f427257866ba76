import type { DeskRecord, ReviewWrite } from '@plesion/contract/review';
import type { StoredGuide } from '@plesion/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { colour, useWide } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Failed, Loading } from '../../ui/states';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useShortcuts } from '../../ui/useShortcuts';
import { sayDate } from '../../lib/dates';
import { saySituation } from '../records/situationText';
import { useGuide } from '../records/useGuide';
import { DeskPicture } from './DeskPicture';
import { NameOptions } from './NameOptions';
import { ReadMarks } from './ReadMarks';
import { viewLabel } from './saidParts';
import { Column, Columns } from '../../ui/Columns';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

type Word = Pick<ReviewWrite, 'word' | 'name' | 'view' | 'note'>;

interface DeskRecordProps {
  record: DeskRecord;
  onSay: (word: Word) => void;
  /** Absent where no other waits. */
  onNext?: () => void;
  /** Absent where nothing was said yet. */
  onBack?: () => void;
}

const Said = z.object({ note: z.string() });

/** One record on the desk: why it is here, what is seen and was read of it, and what can be said of it. */
export function DeskRecordView(props: DeskRecordProps) {
  const guide = useGuide(props.record.guideId);
  if (guide.error) return <Failed error={guide.error} retry={() => void guide.refetch()} />;
  return guide.data ? <WithGuide {...props} stored={guide.data} /> : <Loading what="Its guide" />;
}

function WithGuide({ record, onSay: onSaid, onNext, onBack, stored: { guide } }: DeskRecordProps & { stored: StoredGuide }) {
  const wide = useWide();
  const [{ note }, change, forget] = useKeptState(`desk.${record.id}`, Said, { note: '' });
  const { look, media, name, label, recordedBy, reasons, situation } = record;
  const [asked, ask] = useState(look.views.at(0)?.view);
  const [media0] = media;
  const wanted = look.views.find(({ view }) => view === asked);
  const withNote = note.trim() ? { note: note.trim() } : {};
  const onSay = (word: Word) => {
    forget();
    onSaid(word);
  };
  const choose = (at: number) => {
    const option = look.options.at(at);
    if (!option) return undefined;
    return () => onSay(at === 0 ? { word: 'agree', ...withNote } : { word: 'name', name: option.name, ...withNote });
  };
  const needView = wanted && (() => onSay({ word: 'view', view: wanted.view, note: note.trim() || wanted.text.slice(0, 500) }));
  const passOn = () => onSay({ word: 'pass', ...withNote });
  useShortcuts(({ key }) => {
    if (/^[1-9]$/.test(key)) return choose(Number(key) - 1);
    return ({ v: needView, p: passOn, n: onNext, z: onBack } as Record<string, (() => void) | undefined>)[key.toLowerCase()];
  });
  const marks = <ReadMarks guide={guide} readings={record.readings} lead={look.lead?.character} />;
  const where = saySituation(situation, guide) || 'Nothing is said of where and when';
  return (
    <Columns>
      <Column>
        <Card title={label} aside={`${recordedBy}, named ${sayDate(name.at)}`}>
          <DeskPicture key={record.id} record={record} guide={guide} />
          <Text size="small" quiet>
            {`${guide.title} · ${where}`}
          </Text>
          {wide && marks}
        </Card>
      </Column>
      <Column gap="m">
        {look.danger && (
          <Notice kind="caution" title={`It may be ${look.danger.name}, which can hurt`}>
            Agree only where it is seen that it is not.
          </Notice>
        )}
        <Card title="What is it?">
          {reasons.length > 0 && (
            <Stack role="list" aria-label="Why it is here" gap="hair">
              {reasons.map(({ kind, text }) => (
                <View key={kind} role="listitem">
                  <Text size="small" strong color={kind === 'danger' ? colour.hazard : colour.kelp}>
                    {text}
                  </Text>
                </View>
              ))}
            </Stack>
          )}
          <NameOptions guide={guide} record={record} view={media0?.view} onChoose={(at) => choose(at)?.()} />
          <Row>
            {wanted && needView && (
              <Button
                label={`Needs another view: ${viewLabel(guide, wanted.view)}`}
                hint={`Needs another view: ${viewLabel(guide, wanted.view)}. Ask ${recordedBy} for it`}
                onPress={needView}
              />
            )}
            <Button label="Pass on" hint="Pass on to the other reviewers" onPress={passOn} />
            {onNext && <Button kind="quiet" label="Next" hint="Next: this one comes again after the others" onPress={onNext} />}
          </Row>
          <Disclosure title="Say why, or what to look for" open={note !== ''}>
            <TextField
              label="With what you say"
              value={note}
              onChangeText={(text) => change({ note: text })}
              maxLength={500}
              multiline
            />
          </Disclosure>
          {look.views.length > 1 && (
            <ChoiceGroup
              label="Which view would tell"
              options={look.views.map(({ view }) => ({ id: view, label: viewLabel(guide, view) }))}
              chosen={asked ? [asked] : []}
              onChange={([view]) => ask(view)}
            />
          )}
          {wanted && (
            <Text size="small" quiet>
              {`What it would show, ${viewLabel(guide, wanted.view)}: ${wanted.text}`}
            </Text>
          )}
          <Text size="small" quiet>
            {guide.caution}
          </Text>
          {wide && (
            <Text size="small" quiet>
              {
                'Keys: 1, 2 and 3 name it, V asks for the view, P passes it on, N goes to the next, Z takes back what was said last.'
              }
            </Text>
          )}
        </Card>
        {!wide && <Card title="What was read">{marks}</Card>}
      </Column>
    </Columns>
  );
}
