import { licenceFor, METHOD_WORDS, METHODS, sayOnFile, visitHalts } from '@plesion/core/fieldwork';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
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
  const [typed, change, forget] = useKeptState('visit', Typed, {
    siteId: view.sites.length === 1 ? view.sites[0].id : undefined,
    people: session.account.name,
    method: 'mist-net',
    units: '',
    reason: '',
  });
  const [problem, setProblem] = useState<{ field: string; says: string }>();
  const site = view.sites.find(({ id }) => id === typed.siteId);
  const onFile = site && licenceFor(site, typed.method, today());
  const halted = site ? visitHalts(site, typed.method, today()) : [];
  const says = (name: string) => (problem?.field === name ? problem.says : undefined);
  const begin = () => {
    const people = typed.people.split(',').flatMap((name) => name.trim() || []);
    const units = typed.units.trim() ? numberOf(typed.units) : undefined;
    const now = new Date().toISOString();
    if (!site) return setProblem({ field: 'site', says: 'Choose the site, or add it first.' });
    if (people.length === 0) return setProblem({ field: 'people', says: 'Say who is there, with commas between.' });
    if (typed.units.trim() && !(units && units > 0))
      return setProblem({ field: 'units', says: 'Write how many nets or traps, such as 4.' });
    if (halted.length && !typed.reason.trim())
      return setProblem({ field: 'reason', says: 'Say why it is begun all the same; it is recorded.' });
    const id = mintId();
    visitDrafts.startDraft(session.station.id, id, {
      version: 0,
      hidden: false,
      siteId: site.id,
      startedAt: now,
      people,
      method: typed.method,
      ...(units ? { effort: { units, hours: 1 } } : {}),
      overrides: halted.map(({ what }) => ({ what, reason: typed.reason.trim(), by: session.account.name, at: now })),
    });
    forget();
    router.replace(`/field/visits/${id}`);
  };
  return (
    <Screen widest={720}>
      <PageHeading>Begin a visit</PageHeading>
      <Card title="Where">
        <Picker
          label="Site"
          items={view.sites.map(({ id, name }) => ({ id, label: name }))}
          chosen={typed.siteId}
          onChange={(siteId) => change({ siteId })}
        />
        {says('site') && (
          <Text role="alert" size="small">
            {says('site')}
          </Text>
        )}
        <Button small kind="quiet" label="A new site" onPress={() => router.push('/field/sites/new')} />
      </Card>
      <Card title="Who and how">
        <TextField
          label="People, with commas between"
          value={typed.people}
          onChangeText={(people) => change({ people })}
          problem={says('people')}
          maxLength={400}
        />
        <ChoiceGroup
          label="Method"
          options={METHODS.map((id) => ({ id, label: METHOD_WORDS[id] }))}
          chosen={[typed.method]}
          onChange={([method]) => change({ method })}
        />
        <TextField
          label="Nets or traps"
          value={typed.units}
          onChangeText={(units) => change({ units })}
          inputMode="decimal"
          problem={says('units')}
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
        <TextField
          label="Why it is begun all the same"
          value={typed.reason}
          onChangeText={(reason) => change({ reason })}
          problem={says('reason')}
          maxLength={120}
        />
      )}
      <Row justify="end" oneLine>
        <Button kind="main" label="Begin the visit" onPress={begin} />
      </Row>
    </Screen>
  );
}
