import type { SiteWrite } from '@plesion/contract';
import { SiteWrite as SiteShape } from '@plesion/contract/fieldwork';
import { METHOD_WORDS, METHODS, type SiteContent } from '@plesion/core/fieldwork';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { keptForm } from '../../lib/keptForm';
import { omit } from '../../lib/omit';
import { useDraftOf } from '../../lib/useDraftOf';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { fieldApi, siteDrafts } from '../records/fieldDrafts';
import { RecordTrouble } from '../records/SavingTrouble';
import { useSession } from '../session/useSession';
import { WhereAmI } from './WhereAmI';
import { numberOf } from '../../lib/numberOf';

const NEW = 'new';

/** A site: its place, season and quota, whether it is rested, and the licences on file. */
export function SitePage({ id }: { id: string }) {
  const router = useRouter();
  const station = useSession().station.id;
  const isNew = id === NEW;
  const { draft, state, error, refetch } = useDraftOf(siteDrafts, station, isNew ? '' : id, 'site', (signal) =>
    fieldApi('site', { params: { id } }, signal),
  );
  const save = (content: SiteContent) => {
    if (isNew) siteDrafts.startDraft(station, mintId(), { ...content, version: 0, hidden: false });
    else draft!.change((now) => ({ ...content, version: now.version, hidden: now.hidden }));
    if (router.canGoBack()) router.back();
    else router.replace('/field');
  };
  return (
    <AsyncScreen
      what="The site"
      value={isNew ? { content: undefined } : state && { content: state.content }}
      error={error}
      retry={refetch}
    >
      {({ content }) => (
        <Screen widest={720}>
          <PageHeading title={content?.name ?? 'A new site'}>{content?.name ?? 'A new site'}</PageHeading>
          {draft && state && (
            <RecordTrouble
              draft={draft}
              state={state}
              what="site"
              sayThere={(stored) => `There it is called ${stored.name}.`}
              offline="The site is kept on this device and sent when the server can be reached."
            />
          )}
          <SiteForm about={id} content={content} onSave={save} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

const day = z.union([z.literal(''), z.iso.date('Write the day as 2026-05-12.')]);
const coordinate = (limit: number, what: string) =>
  z
    .string()
    .trim()
    .refine(
      (text) => text === '' || Math.abs(numberOf(text) ?? Infinity) <= limit,
      `${what} is a number from −${limit} to ${limit}.`,
    );

const Filled = z
  .object({
    name: z.string().trim().min(1, 'Give the site a name.').max(120),
    latitude: coordinate(90, 'Latitude'),
    longitude: coordinate(180, 'Longitude'),
    /** m; told by the device. */
    accuracy: z.string(),
    first: day,
    last: day,
    quota: z
      .string()
      .trim()
      .refine(
        (text) => text === '' || (Number.isInteger(numberOf(text)) && numberOf(text)! > 0),
        'Write a whole number above 0.',
      ),
    restedUntil: day,
    restedFor: z.string().trim().max(120),
    note: z.string().trim().max(2000),
    licences: z.array(
      z
        .object({
          id: z.string(),
          label: z.string().trim().min(1, 'Say what it is called.').max(120),
          holder: z.string().trim().min(1, 'Say who holds it.').max(120),
          covers: z.array(z.enum(METHODS)).min(1, 'Say what it covers.'),
          from: z.iso.date('Write the day as 2026-05-12.'),
          to: z.iso.date('Write the day as 2026-05-12.'),
        })
        .refine(({ from, to }) => from <= to, { path: ['to'], message: 'It ends before it begins.' }),
    ),
  })
  .refine(({ latitude, longitude }) => (latitude === '') === (longitude === ''), {
    path: ['longitude'],
    message: 'Give both coordinates or neither.',
  })
  .refine(({ first, last }) => (first === '') === (last === ''), {
    path: ['last'],
    message: 'Give the first and the last day, or neither.',
  })
  .refine(({ first, last }) => first <= last, { path: ['last'], message: 'The season ends before it begins.' })
  .refine(({ restedUntil, restedFor }) => restedUntil === '' || restedFor !== '', {
    path: ['restedFor'],
    message: 'Say why it is rested.',
  });
type Values = z.infer<typeof Filled>;

const Typed = z.custom<Values>((value) => typeof value === 'object' && value !== null && 'name' in value);

const valuesOf = (content: SiteWrite | undefined): Values => ({
  name: content?.name ?? '',
  latitude: content?.position?.latitude.toString() ?? '',
  longitude: content?.position?.longitude.toString() ?? '',
  accuracy: content?.position?.accuracy?.toString() ?? '',
  first: content?.season?.first ?? '',
  last: content?.season?.last ?? '',
  quota: content?.quota?.toString() ?? '',
  restedUntil: content?.rested?.until ?? '',
  restedFor: content?.rested?.reason ?? '',
  note: content?.note ?? '',
  licences: content?.licences.map((licence) => omit(licence, 'note')) ?? [],
});

function contentOf(values: Values, before: SiteWrite | undefined): SiteContent {
  const { latitude, longitude, accuracy, first, last, quota, restedUntil, restedFor, note, licences, name } = values;
  const content = {
    name,
    ...(latitude
      ? {
          position: {
            latitude: numberOf(latitude),
            longitude: numberOf(longitude),
            ...(accuracy ? { accuracy: Number(accuracy) } : {}),
          },
        }
      : {}),
    ...(first ? { season: { first, last } } : {}),
    ...(quota ? { quota: numberOf(quota) } : {}),
    ...(restedUntil ? { rested: { until: restedUntil, reason: restedFor } } : {}),
    licences: licences.map((licence) => ({ ...before?.licences.find(({ id }) => id === licence.id), ...licence })),
    ...(note ? { note } : {}),
  };
  return omit(SiteShape.parse({ ...content, version: 0, hidden: false }), 'version', 'hidden');
}

function SiteForm({ about, content, onSave }: { about: string; content?: SiteWrite; onSave: (content: SiteContent) => void }) {
  const kept = useMemo(() => keptForm(`site.${about}`, Typed), [about]);
  const form = useForm<Values>({ resolver: zodResolver(Filled), defaultValues: kept.read() ?? valuesOf(content) });
  const { control, watch } = form;
  const licences = useFieldArray({ control, name: 'licences', keyName: 'key' });
  useEffect(() => {
    const { unsubscribe } = watch((typed) => kept.keep(typed as Values));
    return unsubscribe;
  }, [watch, kept]);
  const submit = form.handleSubmit((values) => {
    kept.forget();
    onSave(contentOf(values, content));
  });
  return (
    <Form submit={() => void submit()}>
      <Card title="The place">
        <FormTextField control={control} name="name" label="Name" maxLength={120} />
        <Row gap="m">
          <FormTextField control={control} name="latitude" label="Latitude" inputMode="decimal" />
          <FormTextField control={control} name="longitude" label="Longitude" inputMode="decimal" />
        </Row>
        <WhereAmI
          label="Where I am now"
          onFix={({ latitude, longitude, accuracy }) => {
            form.setValue('latitude', String(latitude), { shouldValidate: true });
            form.setValue('longitude', String(longitude), { shouldValidate: true });
            form.setValue('accuracy', accuracy === undefined ? '' : String(accuracy));
          }}
        />
        {watch('accuracy') !== '' && (
          <Text size="small" quiet>{`At most ${watch('accuracy')} m off, as it was told by a device.`}</Text>
        )}
        <FormTextField control={control} name="note" label="Note" multiline maxLength={2000} />
      </Card>
      <Card title="Season">
        <Row gap="m">
          <FormTextField control={control} name="first" label="First working day" placeholder="2026-05-01" maxLength={10} />
          <FormTextField control={control} name="last" label="Last working day" placeholder="2026-06-30" maxLength={10} />
        </Row>
        <FormTextField control={control} name="quota" label="Rings allowed in a year" inputMode="numeric" />
      </Card>
      <Card title="Left alone">
        <FormTextField control={control} name="restedUntil" label="Rested until" placeholder="2026-06-10" maxLength={10} />
        <FormTextField control={control} name="restedFor" label="Why" placeholder="a predator about" maxLength={120} />
      </Card>
      <Card
        title="Licences on file"
        aside={
          <Button
            small
            label="Add one"
            onPress={() => licences.append({ id: mintId(), label: '', holder: '', covers: [], from: '', to: '' })}
          />
        }
      >
        <Text size="small" quiet>
          What lies on file here is shown where a visit begins. What it allows is for the authority to say.
        </Text>
        {licences.fields.map((licence, i) => (
          <Stack key={licence.key} gap="m">
            <FormTextField control={control} name={`licences.${i}.label`} label="What it is called" maxLength={120} />
            <FormTextField control={control} name={`licences.${i}.holder`} label="Holder" maxLength={120} />
            <FormPart control={control} name={`licences.${i}.covers`}>
              <ChoiceGroup
                label="Covers"
                many
                options={METHODS.map((id) => ({ id, label: METHOD_WORDS[id] }))}
                chosen={watch(`licences.${i}.covers`)}
                onChange={(covers) =>
                  form.setValue(`licences.${i}.covers`, covers, { shouldValidate: form.formState.isSubmitted })
                }
              />
            </FormPart>
            <Row gap="m">
              <FormTextField control={control} name={`licences.${i}.from`} label="From" placeholder="2026-01-01" maxLength={10} />
              <FormTextField control={control} name={`licences.${i}.to`} label="To" placeholder="2026-12-31" maxLength={10} />
            </Row>
            <Row justify="end" oneLine>
              <Button small kind="quiet" label="Remove" hint={`Remove the licence ${i + 1}`} onPress={() => licences.remove(i)} />
            </Row>
          </Stack>
        ))}
      </Card>
      <Row justify="end" oneLine>
        <Button kind="main" label="Save the site" onPress={() => void submit()} />
      </Row>
    </Form>
  );
}
