import { licenceFor, METHOD_WORDS, METHODS, sayOnFile, visitHalts } from '@plesion/core/fieldwork';
import { useRouter } from 'expo-router';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useKeptForm } from '../../lib/useKeptForm';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Screen } from '../../ui/Screen';
import { visitDrafts } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { numberOf } from '../../lib/numberOf';
import { type Field, useField } from './useField';

/** As it is typed; kept over a reload. */
const Typed = z.object({
  siteId: z.string().optional(),
  people: z.string(),
  method: z.enum(METHODS),
  units: z.string(),
  reason: z.string(),
});
type Typed = z.infer<typeof Typed>;

/** A visit begins: where, who, how; with the licence on file, and a halt where there is none. */
export function BeginVisit() {
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen what="The sites" value={field} error={error} retry={refetch}>
      {(now) => <BeginForm field={now} />}
    </AsyncScreen>
  );
}

function BeginForm({ field: { view } }: { field: Field }) {
  const router = useRouter();
  const session = useSession();
  const siteOf = ({ siteId }: Typed) => view.sites.find(({ id }) => id === siteId);
  const haltsOf = (typed: Typed) => {
    const site = siteOf(typed);
    return site ? visitHalts(site, typed.method, today()) : [];
  };
  const form = useKeptForm({
    name: 'visit',
    typed: Typed,
    first: (): Typed => ({
      siteId: view.sites.length === 1 ? view.sites[0].id : undefined,
      people: session.account.name,
      method: 'mist-net',
      units: '',
      reason: '',
    }),
    check: (typed) => ({
      siteId: !siteOf(typed) && 'Choose the site, or add it first.',
      people: peopleIn(typed).length === 0 && 'Say who is there, with commas between.',
      units: typed.units.trim() !== '' && !((numberOf(typed.units) ?? 0) > 0) && 'Write how many nets or traps, such as 4.',
      reason: haltsOf(typed).length > 0 && !typed.reason.trim() && 'Say why it is begun all the same; it is recorded.',
    }),
    send(typed) {
      const id = mintId();
      const now = new Date().toISOString();
      const units = numberOf(typed.units);
      visitDrafts.startDraft(session.station.id, id, {
        version: 0,
        hidden: false,
        siteId: typed.siteId!,
        startedAt: now,
        people: peopleIn(typed),
        method: typed.method,
        ...(units ? { effort: { units, hours: 1 } } : {}),
        overrides: haltsOf(typed).map(({ what }) => ({ what, reason: typed.reason.trim(), by: session.account.name, at: now })),
      });
      return id;
    },
    onSent: (_, id) => router.replace(`/field/visits/${id}`),
  });
  const { control, typed, change } = form;
  const site = siteOf(typed);
  const onFile = site && licenceFor(site, typed.method, today());
  const halted = haltsOf(typed);
  return (
    <Screen widest={720}>
      <PageHeading>Begin a visit</PageHeading>
      <Form submit={form.submit}>
        <Card title="Where">
          <FormPart control={control} name="siteId">
            <Picker
              label="Site"
              items={view.sites.map(({ id, name }) => ({ id, label: name }))}
              chosen={typed.siteId}
              onChange={(siteId) => change({ siteId })}
            />
          </FormPart>
          <Button small kind="quiet" label="A new site" onPress={() => router.push('/field/sites/new')} />
        </Card>
        <Card title="Who and how">
          <FormTextField control={control} name="people" label="People, with commas between" maxLength={400} />
          <ChoiceGroup
            label="Method"
            options={METHODS.map((id) => ({ id, label: METHOD_WORDS[id] }))}
            chosen={[typed.method]}
            onChange={([method]) => change({ method })}
          />
          <FormTextField
            control={control}
            name="units"
            label="Nets or traps"
            inputMode="decimal"
            hint="How long they stand is said at the end."
          />
        </Card>
        {onFile && onFile.kind !== 'none' && <Notice kind="note">{sayOnFile(onFile, METHOD_WORDS[typed.method])}</Notice>}
        {halted.map(({ what, says: sentence }) => (
          <Notice key={what} kind="caution" title={what === 'rested' ? 'This site is rested' : 'No licence on file'}>
            {sentence}
          </Notice>
        ))}
        {halted.length > 0 && (
          <FormTextField control={control} name="reason" label="Why it is begun all the same" maxLength={120} />
        )}
        <FormEnd form={form} label="Begin the visit" />
      </Form>
    </Screen>
  );
}

const peopleIn = ({ people }: Typed): string[] => people.split(',').flatMap((name) => name.trim() || []);
