import { useMutation } from '@tanstack/react-query';
import { createElement, useEffect, useRef } from 'react';
import { useDropzone } from 'react-dropzone';
import { Platform, StyleSheet } from 'react-native';
import { pickFile } from '../../lib/files';
import { colour, radius, space, useWide } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { keepPhoto } from './keepPhoto';

/** What the chooser of files offers; what a file is, is told by its content. */
const PICTURES = { 'image/*': [] };

interface AddPhotosProps {
  has: boolean;
  /** Told of each photo that was kept. */
  onPhoto: (hash: string, file: File) => void;
}

/** Choose, take, drop or paste photos. Each is kept on the device, and goes to the server with the specimen that names it. */
export function AddPhotos({ has, onPhoto }: AddPhotosProps) {
  const station = useSession().station.id;
  return <TakePhotos has={has} take={async (file) => onPhoto(await keepPhoto(station, file), file)} />;
}

interface TakePhotosProps {
  has: boolean;
  /** What becomes of each; it throws, with a sentence, what it cannot take. */
  take: (file: File) => Promise<void>;
}

/** Choose, take, drop or paste photos. */
export function TakePhotos({ has, take: takeOne }: TakePhotosProps) {
  const wide = useWide();
  const take = useMutation({
    networkMode: 'always',
    async mutationFn(files: readonly File[]) {
      const refused: string[] = [];
      for (const file of files)
        try {
          await takeOne(file);
        } catch (error) {
          refused.push(`${file.name}: ${(error as Error).message}`);
        }
      return refused;
    },
  });
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    accept: PICTURES,
    noClick: true,
    noKeyboard: true,
    // What is no picture is told with a sentence of ours.
    onDrop: (good, bad) => take.mutate([...good, ...bad.map(({ file }) => file)]),
  });
  const taking = useRef(take.mutate);
  useEffect(() => {
    taking.current = take.mutate;
  });
  useEffect(() => {
    if (Platform.OS !== 'web') return;
    const paste = ({ clipboardData }: ClipboardEvent) => {
      const files = [...(clipboardData?.files ?? [])];
      if (files.length) taking.current(files);
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, []);
  const camera = async () => {
    const file = await pickFile('image/*', true);
    if (file) take.mutate([file]);
  };
  return createElement(
    'div',
    getRootProps({ role: undefined, tabIndex: undefined, 'data-testid': 'drop-photos' }),
    createElement('input', { ...getInputProps(), 'aria-hidden': true }),
    <Stack align="start" style={[wide && styles.wide, isDragActive && styles.over]}>
      <Row>
        <Button small label={has ? 'Another photo' : 'Add a photo'} busy={take.isPending} onPress={open} />
        {!wide && <Button small label="Take a photo" onPress={() => void camera()} />}
      </Row>
      {wide && (
        <Text size="small" quiet>
          {isDragActive ? 'Let go to add them.' : 'Or drop photos here, or paste one.'}
        </Text>
      )}
      {take.data?.map((said) => (
        <Notice key={said} kind="problem" title="The photo was not kept">
          {said}
        </Notice>
      ))}
      {take.error && <Notice kind="problem">{`The photo was not kept. ${take.error.message}`}</Notice>}
    </Stack>,
  );
}

const styles = StyleSheet.create({
  wide: { padding: space.m, borderRadius: radius.m, borderWidth: 1, borderStyle: 'dashed', borderColor: colour.unknown },
  over: { borderColor: colour.kelp, backgroundColor: colour.mist },
});
