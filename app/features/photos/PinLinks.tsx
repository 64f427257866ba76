import type { Guide } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import { colour } from '../../theme';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

interface PinLinksProps {
  id: string;
  guide: Guide;
  readings: readonly Reading[];
  /** The photo on top: what was pointed at without naming one is on it. */
  top?: string;
}

/** The characters that were pointed at on photos, each with the way to the place that shows it; nothing where there are none. */
export function PinLinks({ id, guide, readings, top }: PinLinksProps) {
  const pinned = readings.flatMap(({ character, at }) => {
    const label = guide.characters.find((one) => one.id === character)?.label;
    const photo = at && (at.photo ?? top);
    return label && photo ? [{ character, label, photo }] : [];
  });
  if (pinned.length === 0) return null;
  return (
    <Row gap="m" lineGap="none" align="center">
      <Text size="small" quiet>
        On the photo:
      </Text>
      {pinned.map(({ character, label, photo }) => (
        <LinkBox key={character} href={`/specimens/${id}?photo=${photo}`} justify="center">
          <Text size="small" strong color={colour.kelp}>
            {label}
          </Text>
        </LinkBox>
      ))}
    </Row>
  );
}
