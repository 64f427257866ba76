import type { MarkedAnimal } from '@plesion/contract';
import { readBack } from '@plesion/core/fieldwork';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sayDate } from '../../lib/dates';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty, Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { fieldApi } from '../records/fieldDrafts';
import { useGuide } from '../records/useGuide';
import { NaturalMarkWords } from './NaturalMarkWords';
import { type PlatePlace, TouchPlate } from './TouchPlate';
import { useCatchGuide } from './useCatchGuide';
import { kindName } from './words';

/** Who is this that bears no ring: by where on the body a mark is, and in words. */
export function NaturalMarksPage() {
  const [{ words }, setAddress] = useAddress(['words']);
  const [at, setAt] = useState<PlatePlace>();
  const { stored, error, retry } = useCatchGuide(undefined);
  const query = { ...(words ? { words } : {}), ...(at ? { view: at.view, x: at.x, y: at.y } : {}) };
  const found = useQuery({
    queryKey: ['captures', 'natural marks', query],
    queryFn: ({ signal }) => fieldApi('naturalMarks', { query }, signal),
    placeholderData: keepPreviousData,
  });
  return (
    <AsyncScreen what="Natural marks" value={stored} error={stored ? undefined : error} retry={retry}>
      {({ guide }) => (
        <Screen widest={720}>
          <PageHeading>Natural marks</PageHeading>
          <Card title="Looked for">
            <TextField
              label="In words"
              value={words ?? ''}
              onChangeText={(text) => setAddress({ words: text })}
              placeholder="notch toe"
              maxLength={200}
            />
            <TouchPlate guide={guide} at={at} onTouch={setAt} />
            {at && <Button small kind="quiet" label="Anywhere on the body" onPress={() => setAt(undefined)} />}
          </Card>
          {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
          {found.data?.animals.length === 0 && (
            <Empty title="None is known by that">Marks are recorded in a catch: ask for them on the catch sheet.</Empty>
          )}
          {found.data?.animals.map((animal) => (
            <Animal key={animal.captureId} animal={animal} />
          ))}
        </Screen>
      )}
    </AsyncScreen>
  );
}

function Animal({ animal: { captureId, mark, at, naturalMarks, guideId, ...own } }: { animal: MarkedAnimal }) {
  const guide = useGuide(guideId).data?.guide;
  return (
    <Card title={mark ? readBack(mark) : 'Without a ring'} aside={sayDate(at)}>
      <LinkBox
        href={mark ? `/field/rings/${encodeURIComponent(mark)}` : `/field/captures/${captureId}`}
        justify="center"
        padY="xs"
      >
        <Text strong color={colour.kelp}>
          {kindName(guide, own)}
        </Text>
      </LinkBox>
      {naturalMarks.map((one) => (
        <NaturalMarkWords key={one.id} mark={one} />
      ))}
    </Card>
  );
}
