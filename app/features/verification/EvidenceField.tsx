import { LARGEST_PHOTO } from '@plesion/contract';
import { useMutation } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { EvidencePhoto } from './EvidencePhoto';

/** A picture that shows it, sent as it is chosen. */
export function EvidenceField({ hash, onChange }: { hash?: string; onChange: (hash: string | undefined) => void }) {
  const send = useMutation({
    async mutationFn() {
      const file = await pickFile('image/*');
      if (!file) return;
      if (file.size > LARGEST_PHOTO) throw new Error('It is larger than 40 MB. Choose a smaller one.');
      const body = new FormData();
      body.append('photo', file);
      onChange((await api('addPhoto', { body })).hash);
    },
  });
  return (
    <View style={styles.field}>
      {hash && <EvidencePhoto hash={hash} />}
      <View style={styles.act}>
        <Button
          small
          label={hash ? 'Another picture' : 'A picture that shows it'}
          busy={send.isPending}
          onPress={() => send.mutate()}
        />
        {hash && (
          <Button
            small
            kind="quiet"
            label="Without it"
            hint="Without it: take the picture away"
            onPress={() => onChange(undefined)}
          />
        )}
      </View>
      {send.error && <Notice kind="problem">{send.error.message}</Notice>}
    </View>
  );
}

const styles = StyleSheet.create({
  field: { gap: space.s, alignItems: 'flex-start' },
  act: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
