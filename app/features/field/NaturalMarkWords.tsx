import { NATURAL_MARK_WORDS, type NaturalMark } from '@plesion/core/fieldwork';
import { Photo } from '../../ui/Photo';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { usePhotoUri } from '../photos/usePhotoUri';

/** The photo of a mark. */
export function MarkPhoto({ mark: { photo, words } }: { mark: NaturalMark }) {
  const uri = usePhotoUri(photo ?? '', 'thumb');
  return photo ? (
    <Photo
      source={{ uri }}
      accessibilityLabel={`Photo of the mark: ${words || 'not described yet'}`}
      wide={140}
      tall={105}
      round="m"
    />
  ) : null;
}

/** A mark in words, with its photo where there is one. */
export function NaturalMarkWords({ mark }: { mark: NaturalMark }) {
  return (
    <Stack gap="hair" least={0}>
      <MarkPhoto mark={mark} />
      <Text size="small" strong>
        {NATURAL_MARK_WORDS[mark.kind]}
      </Text>
      <Text size="small">{mark.words}</Text>
    </Stack>
  );
}
