import { useEffect, useState } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useSession } from '../session/useSession';
import { sendUnsent, unsentIds } from '../records/drafts';

/** Specimens with changes that only this device has; sent when the connection is back. */
export function Unsent() {
  const station = useSession().station.id;
  const router = useRouter();
  const [ids, setIds] = useState(() => unsentIds(station));
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    await sendUnsent(station);
    setIds(unsentIds(station));
    setBusy(false);
  };
  useEffect(() => {
    const online = () => void sendUnsent(station).then(() => setIds(unsentIds(station)));
    online();
    window.addEventListener('online', online);
    return () => window.removeEventListener('online', online);
  }, [station]);
  if (ids.length === 0) return null;
  return (
    <Notice
      kind="note"
      title={`${ids.length} not sent yet`}
      action={
        <View style={{ flexDirection: 'row', gap: space.s }}>
          <Button small label="Open" onPress={() => router.push(`/specimens/${ids[0]}/bench`)} />
          <Button small label="Send now" busy={busy} onPress={() => void send()} />
        </View>
      }
    >
      Kept on this device. Nothing is lost.
    </Notice>
  );
}
