import { type Drawn, DRAWN, type Place } from '@plesion/contract/conversations';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { type View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptForm } from '../../lib/useKeptForm';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { AimedPhoto } from '../photos/AimedPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';
import { conversationApi, conversationOf } from './conversationApi';
import { Mark } from './Marks';

interface RemarkFormProps {
  specimenId: string;
  photos: readonly string[];
  /** The number that a place on a photo gets. */
  next: number;
}

const point = z.object({ x: z.number(), y: z.number() });
/** As it is filled in; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  text: z.string(),
  photo: z.string().optional(),
  drawn: z.enum(DRAWN),
  points: z.array(point),
});
type Typed = z.infer<typeof Typed>;

const DRAWN_WORDS: Record<Drawn, string> = { pin: 'a point', ring: 'a ring', line: 'a line' };

/** What to do next on the photo. */
const AIMS: Record<Drawn, readonly string[]> = {
  pin: ['Press the place on the photo'],
  ring: ['Press the middle of the ring', 'Press where the ring goes through'],
  line: ['Press where the line begins', 'Press where it ends'],
};

/** Say something of a specimen, or of a place on one of its photos. */
export function RemarkForm({ specimenId, photos, next }: RemarkFormProps) {
  const client = useQueryClient();
  const form = useKeptForm({
    name: `remark.${specimenId}`,
    typed: Typed,
    first: (): Typed => ({ id: mintId(), text: '', drawn: 'pin', points: [] }),
    send({ id, text, drawn, points, ...typed }) {
      const photo = photos.find((hash) => hash === typed.photo);
      const place: Place | undefined = photo && points.length === AIMS[drawn].length ? { photo, drawn, points } : undefined;
      return conversationApi('remark', { body: { id, specimenId, text, ...(place ? { place } : {}) } });
    },
    async onSent() {
      form.begin();
      await client.invalidateQueries({ queryKey: conversationOf(specimenId) });
    },
  });
  const { change } = form;
  const { text, drawn, points } = form.typed;
  const photo = photos.find((hash) => hash === form.typed.photo);
  const whole = points.length === AIMS[drawn].length;
  return (
    <Form submit={form.submit}>
      {photos.length > 0 && (
        <ChoiceGroup
          label="Of what"
          options={[
            { id: '', label: 'it as a whole' },
            ...photos.map((hash, i) => ({
              id: hash,
              label: photos.length === 1 ? 'a place on the photo' : `a place on photo ${i + 1}`,
            })),
          ]}
          chosen={[photo ?? '']}
          onChange={([hash]) => change({ photo: hash || undefined, points: [] })}
        />
      )}
      {photo && (
        <>
          <ChoiceGroup
            label="Drawn as"
            options={DRAWN.map((one) => ({ id: one, label: DRAWN_WORDS[one] }))}
            chosen={[drawn]}
            onChange={([one]) => change({ drawn: one, points: [] })}
          />
          <Aim hash={photo} drawn={drawn} points={points} next={next} onChange={(all) => change({ points: all })} />
        </>
      )}
      <FormTextField control={form.control} name="text" label="What you say" maxLength={2000} multiline />
      {photo && !whole && text.trim() !== '' && (
        <Text size="small">{`${AIMS[drawn][points.length]}, or speak of it as a whole.`}</Text>
      )}
      <FormEnd form={form} label="Say it" disabled={!text.trim() || (photo !== undefined && !whole)} />
    </Form>
  );
}

interface AimProps {
  hash: string;
  drawn: Drawn;
  points: readonly { x: number; y: number }[];
  next: number;
  onChange: (points: { x: number; y: number }[]) => void;
}

function Aim({ hash, drawn, points, next, onChange }: AimProps) {
  const [aiming, setAiming] = useState(false);
  const photo = useRef<View>(null);
  const steps = AIMS[drawn];
  const begin = () => {
    onChange([]);
    setAiming(true);
    // The keys aim on the photo itself.
    photo.current?.focus();
  };
  const put = (x: number, y: number) => {
    const all = [...points, { x, y }];
    onChange(all);
    if (all.length === steps.length) setAiming(false);
  };
  const step = steps[points.length];
  return (
    <>
      <AimedPhoto
        ref={photo}
        uri={usePhotoUri(hash)}
        label={aiming ? `${step}; or move with the arrows, and press Enter` : 'The photo'}
        aiming={aiming}
        onPut={put}
        onCancel={() => setAiming(false)}
      >
        {(shape) =>
          points.length > 0 && <Mark place={{ drawn, points: [...points] }} shape={shape} mark={next} color={colour.hazard} />
        }
      </AimedPhoto>
      <Text size="small" quiet role="status">
        {aiming ? step : points.length === steps.length ? 'It is drawn.' : 'Nothing is drawn yet.'}
      </Text>
      <Row>
        <Button small label={points.length ? 'Draw it anew' : 'Draw on the photo'} onPress={begin} />
      </Row>
    </>
  );
}
