import { createElement, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../lib/files';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { ClipDesk } from './ClipDesk';
import { useFilmPlayer } from './player';

interface FilmClipProps {
  beats: readonly number[];
  onBeat: (second: number) => void;
  /** Another clip is shown: what was marked was of the one before. */
  onOther: () => void;
}

/** A film from this device, with beats marked on its time line. It is looked at here and sent nowhere. */
export function FilmClip({ beats, onBeat, onOther }: FilmClipProps) {
  const [file, setFile] = useState<File>();
  const [uri, setUri] = useState<string>();
  const [film, setFilm] = useState<HTMLVideoElement | null>(null);
  const [failed, setFailed] = useState(false);
  /** What was marked is of the one that was shown last: it goes once another one is there. */
  const shown = useRef<File>(undefined);
  const player = useFilmPlayer(film);
  useEffect(() => {
    if (!file) return;
    const own = URL.createObjectURL(file);
    setUri(own);
    setFailed(false);
    return () => URL.revokeObjectURL(own);
  }, [file]);
  return (
    <View style={{ gap: space.s, alignItems: 'stretch' }}>
      <View style={{ alignItems: 'flex-start', gap: space.xs }}>
        <Button
          small
          label={file ? 'Another clip' : 'Choose a clip'}
          onPress={() => void pickFile('video/*').then((chosen) => chosen && setFile(chosen))}
        />
        <Text size="small" quiet>
          It stays on this device.
        </Text>
      </View>
      {failed && (
        <Notice kind="problem" title="The clip cannot be shown">
          This browser does not play it. Save it as MP4 (H.264) or WebM, and choose that.
        </Notice>
      )}
      {uri &&
        createElement('video', {
          key: uri,
          ref: setFilm,
          src: uri,
          muted: true,
          playsInline: true,
          'aria-label': 'The clip',
          onLoadedMetadata() {
            // After a reload the same clip is chosen again: what was marked on it stays.
            if (shown.current && !isSame(shown.current, file!)) onOther();
            shown.current = file;
          },
          onError: () => setFailed(true),
          style: { width: '100%', maxHeight: 420, borderRadius: 12, background: '#000', filter: 'var(--photo)' },
        })}
      {player && <ClipDesk player={player} beats={beats} onBeat={onBeat} />}
    </View>
  );
}

const isSame = (a: File, b: File): boolean => a.name === b.name && a.size === b.size && a.lastModified === b.lastModified;
