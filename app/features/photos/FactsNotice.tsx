import type { Situation } from '@plesion/core/observation';
import { sayDate } from '../../lib/dates';
import type { PhotoFacts } from '../../lib/photoFacts';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

interface FactsNoticeProps {
  facts: PhotoFacts;
  situation: Situation;
  onUse: (part: Partial<Situation>) => void;
  onClose: () => void;
}

/** What the photo says of when and where it was taken: offered, and not imposed. */
export function FactsNotice({ facts: { date, latitude, longitude }, situation, onUse, onClose }: FactsNoticeProps) {
  const dated = date && date !== situation.date;
  const placed =
    latitude !== undefined && longitude !== undefined && (latitude !== situation.latitude || longitude !== situation.longitude);
  if (!dated && !placed) return null;
  const said = [dated && sayDate(date), placed && `${latitude}, ${longitude}`].filter(Boolean).join(' · ');
  return (
    <Notice kind="note" title="The photo says when and where">
      <Text size="small">{`${said}. It is used only where you say so.`}</Text>
      <Row>
        {dated && <Button small label="Use the date" onPress={() => onUse({ date })} />}
        {placed && <Button small label="Use the place" onPress={() => onUse({ latitude, longitude })} />}
        <Button small kind="quiet" label="Not now" onPress={onClose} />
      </Row>
    </Notice>
  );
}
