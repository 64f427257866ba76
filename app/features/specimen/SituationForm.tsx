import { Situation as SituationSchema } from '@plesion/core/observation/schema';
import { type Guide, HANDLING, PRIOR_PARTS, type PriorPart, regionAt } from '@plesion/core/guide';
import { DISTANCES, LIGHTS, type Situation, SUBJECTS } from '@plesion/core/observation';
import { useEffect, useMemo } from 'react';
import { type Control, Controller, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { zodResolver } from '@hookform/resolvers/zod';
import { keptForm } from '../../lib/keptForm';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Text } from '../../ui/Text';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { DISTANCE_LABELS, HANDLING_LABELS, LIGHT_LABELS, SUBJECT_LABELS } from '../records/situationText';

/** Degrees as they are typed, with a comma or a true minus too. */
const degreesOf = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'));

const coordinate = (limit: number, what: string) =>
  z
    .string()
    .trim()
    .refine((text) => text === '' || Math.abs(degreesOf(text)) <= limit, `${what} is a number from −${limit} to ${limit}.`);

/** As it is typed, right or not yet; kept over a reload. */
const Typed = SituationSchema.omit({ latitude: true, longitude: true, date: true }).extend({
  label: z.string(),
  date: z.string(),
  latitude: z.string(),
  longitude: z.string(),
});

/** Made into a situation when it is right. */
const Filled = Typed.extend({
  label: z.string().max(120),
  date: z.union([z.literal(''), z.iso.date('Write the date as 2026-05-12.')]),
  latitude: coordinate(90, 'Latitude'),
  longitude: coordinate(180, 'Longitude'),
}).refine((form) => (form.latitude === '') === (form.longitude === ''), {
  path: ['longitude'],
  message: 'Give both coordinates or neither.',
});
type FormValues = z.infer<typeof Filled>;

const PRIOR_LABELS: Record<PriorPart, string> = {
  range: 'where it lives',
  date: 'time of year',
  habitat: 'habitat',
  company: 'company',
  abundance: 'how common it is',
  shares: 'how common each sex, age and morph is',
};

interface SituationFormProps {
  /** Absent for a specimen without one. */
  guide?: Guide;
  label: string;
  situation: Situation;
  submitLabel: string;
  /** What the form is about: what is typed is kept under it until it is taken. */
  about: string;
  onSubmit: (label: string, situation: Situation) => void;
}

type Offered = Pick<Guide, 'views' | 'regions' | 'habitats' | 'circumstances' | 'company'>;

/** What a situation offers to choose from without a guide. */
const NOTHING: Offered = { views: [], regions: [], habitats: [] };

/** Meet it: where, when, what can be seen and touched. */
export function SituationForm({ guide: known, label, situation, submitLabel, about, onSubmit }: SituationFormProps) {
  const guide: Offered = known ?? NOTHING;
  const kept = useMemo(() => keptForm(`situation.${about}`, Typed), [about]);
  const form = useForm<FormValues>({
    resolver: zodResolver(Filled),
    defaultValues: {
      ...situation,
      label,
      date: situation.date ?? '',
      place: situation.place ?? '',
      note: situation.note ?? '',
      latitude: situation.latitude?.toString() ?? '',
      longitude: situation.longitude?.toString() ?? '',
      ...kept.read(),
    },
  });
  const { watch } = form;
  useEffect(() => {
    const { unsubscribe } = watch((typed) => kept.keep(typed as FormValues));
    return unsubscribe;
  }, [watch, kept]);
  const submit = form.handleSubmit(({ label: name, latitude, longitude, date, ...rest }) => {
    const number = (text: string) => (text === '' ? undefined : degreesOf(text));
    kept.forget();
    onSubmit(
      name.trim(),
      withoutEmpty({ ...rest, date: date || undefined, latitude: number(latitude), longitude: number(longitude) }),
    );
  });
  const { control } = form;
  return (
    <Form submit={() => void submit()}>
      <Card title="What you have of it">
        <Chooser
          control={control}
          name="subject"
          label="It is"
          options={SUBJECTS.map((id) => ({ id, label: SUBJECT_LABELS[id] }))}
        />
        {guide.views.length > 0 && (
          <Controller
            control={control}
            name="views"
            render={({ field }) => (
              <ChoiceGroup
                label="Views"
                many
                options={guide.views}
                chosen={field.value ?? guide.views.map((view) => view.id)}
                onChange={field.onChange}
              />
            )}
          />
        )}
        <Chooser
          control={control}
          name="distance"
          label="How near"
          options={DISTANCES.map((id) => ({ id, label: DISTANCE_LABELS[id] }))}
        />
        <Chooser control={control} name="light" label="Light" options={LIGHTS.map((id) => ({ id, label: LIGHT_LABELS[id] }))} />
        <Chooser
          control={control}
          name="handling"
          label="Handling allowed"
          options={HANDLING.map((id) => ({ id, label: HANDLING_LABELS[id] }))}
        />
        {guide.circumstances && (
          <Several control={control} name="circumstances" label="As you see it" options={guide.circumstances} />
        )}
        {guide.company && <Several control={control} name="company" label="With it" options={guide.company} />}
      </Card>
      <Card title="Where and when">
        <Row gap="m">
          <Box fill least={140}>
            <FormTextField control={control} name="place" label="Place" placeholder="ledge, shore, harbour" />
          </Box>
          <Box fill least={140}>
            <FormTextField control={control} name="date" label="Date" placeholder="2026-05-12" inputMode="numeric" />
          </Box>
        </Row>
        {guide.regions.length > 0 && <Chooser control={control} name="region" label="Region" options={guide.regions} />}
        <RegionThere control={control} regions={guide.regions} onUse={(region) => form.setValue('region', region)} />
        {guide.habitats.length > 0 && <Chooser control={control} name="habitat" label="Habitat" options={guide.habitats} />}
        <Row gap="m">
          <Box fill least={140}>
            <FormTextField control={control} name="latitude" label="Latitude" placeholder="−41.2071" inputMode="text" />
          </Box>
          <Box fill least={140}>
            <FormTextField control={control} name="longitude" label="Longitude" placeholder="−28.1143" inputMode="text" />
          </Box>
        </Row>
      </Card>
      {known && (
        <Card title="What counts before looking">
          <Controller
            control={control}
            name="switchedOff"
            render={({ field }) => (
              <ChoiceGroup
                label="Counted"
                many
                options={PRIOR_PARTS.map((id) => ({ id, label: PRIOR_LABELS[id] }))}
                chosen={PRIOR_PARTS.filter((part) => !field.value?.includes(part))}
                onChange={(counted) => field.onChange(PRIOR_PARTS.filter((part) => !counted.includes(part)))}
              />
            )}
          />
        </Card>
      )}
      <Card title="To find it again">
        <FormTextField control={control} name="label" label="Label or number" placeholder="L4-01" />
        <FormTextField control={control} name="note" label="Note" multiline />
      </Card>
      <Button kind="main" label={submitLabel} onPress={() => void submit()} />
    </Form>
  );
}

interface ChooserProps {
  control: Control<FormValues>;
  name: 'subject' | 'distance' | 'light' | 'handling' | 'region' | 'habitat';
  label: string;
  options: readonly { id: string; label: string }[];
}

function Chooser({ control, name, label, options }: ChooserProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <ChoiceGroup
          label={label}
          options={options}
          clearable
          chosen={field.value ? [field.value] : []}
          onChange={([chosen]) => field.onChange(chosen)}
        />
      )}
    />
  );
}

interface RegionThereProps {
  control: Control<FormValues>;
  regions: Guide['regions'];
  onUse: (region: string) => void;
}

/** The region that the coordinates lie in by the map, where it is not the one that is said. */
function RegionThere({ control, regions, onUse }: RegionThereProps) {
  const [longitude, latitude, said] = useWatch({ control, name: ['longitude', 'latitude', 'region'] });
  const [x, y] = [longitude, latitude].map((text) => (text.trim() ? degreesOf(text) : NaN));
  const there = Number.isFinite(x) && Number.isFinite(y) ? regionAt(regions, [x, y]) : undefined;
  if (!there || there.id === said) return null;
  return (
    <Row align="center">
      <Text size="small" role="status" fill={180}>{`By the map its coordinates lie in ${there.label}.`}</Text>
      <Button small label={`Say ${there.label}`} onPress={() => onUse(there.id)} />
    </Row>
  );
}

/** Any number of things that hold together. */
function Several({ control, name, label, options }: Omit<ChooserProps, 'name'> & { name: 'circumstances' | 'company' }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <ChoiceGroup label={label} many options={options} chosen={field.value ?? []} onChange={field.onChange} />
      )}
    />
  );
}

const withoutEmpty = (situation: Situation): Situation =>
  Object.fromEntries(
    Object.entries(situation).filter(
      ([key, value]) => value !== undefined && value !== '' && !(MAY_BE_EMPTY.includes(key) && (value as string[]).length === 0),
    ),
  );

const MAY_BE_EMPTY = ['switchedOff', 'circumstances', 'company'];
