import { useState } from 'react';
import { type Href, useRouter } from 'expo-router';
import { View } from 'react-native';
import { saveFile } from '../../lib/files';
import { outbox } from '../../lib/outbox/outbox';
import type { Entry } from '../../lib/outbox/storage';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { sendWaiting } from '../records/sending';
import { useWaiting } from '../records/useWaiting';
import { useSession } from '../session/useSession';

const PLACES: Record<string, (entry: Entry) => Href> = {
  specimen: ({ id }) => `/specimens/${id}`,
  lot: ({ id }) => `/lots/${id}`,
  key: ({ id }) => `/keys/${id}/edit`,
  individual: ({ id }) => `/field/colony/${id}`,
  pen: ({ content }) => `/field/colony?guide=${(content as { guideId: string }).guideId}`,
  pairing: ({ id, content }) => `/field/colony/pairings/${id}?guide=${(content as { guideId: string }).guideId}`,
};

/** What only this device has, of every kind; the root sends it as soon as the server can be reached. */
export function Unsent() {
  const station = useSession().station.id;
  const router = useRouter();
  const waiting = useWaiting();
  const [busy, setBusy] = useState(false);
  const readable = waiting.filter((one) => one.readable).map(({ entry }) => entry);
  const strange = waiting.filter((one) => !one.readable).map(({ entry }) => entry);
  const send = async () => {
    setBusy(true);
    await sendWaiting(station);
    setBusy(false);
  };
  const [first] = readable;
  const place = first && PLACES[first.kind]?.(first);
  return (
    <>
      {first && (
        <Notice
          kind="note"
          title={`${readable.length} not sent yet`}
          action={
            <View style={{ flexDirection: 'row', gap: space.s }}>
              {place && <Button small label="Open" onPress={() => router.push(place)} />}
              <Button small label="Send now" busy={busy} onPress={() => void send()} />
            </View>
          }
        >
          {outbox().lasting
            ? 'Kept on this device until the server has it.'
            : 'This browser keeps nothing over a reload: leave this page open until it is sent.'}
        </Notice>
      )}
      {strange.length > 0 && <Strange entries={strange} />}
    </>
  );
}

/** What another version kept and this one cannot read is nobody’s to throw away. */
function Strange({ entries }: { entries: readonly Entry[] }) {
  const forget = () => entries.forEach(({ key }) => outbox().forget(key));
  return (
    <Notice
      kind="problem"
      title={`${entries.length} kept by another version of Plesion`}
      action={
        <View style={{ flexDirection: 'row', gap: space.s }}>
          <Button
            small
            label="Save a copy"
            onPress={() => saveFile('plesion-unsent.json', JSON.stringify(entries, null, 2), 'application/json')}
          />
          <Button small kind="quiet" label="Remove from this device" onPress={forget} />
        </View>
      }
    >
      This version cannot read it, and it was not sent. Reload the page to get the newest version, or save a copy first.
    </Notice>
  );
}
