import type { Colony, ColonyMember } from '@plesion/contract/colony';
import { type PenState, pensOf } from '@plesion/core/colony';
import type { Guide } from '@plesion/core/guide';
import { strainsOf } from '@plesion/core/pedigree';
import type { Pen } from '@plesion/contract/pens';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { countDrafts, fieldApi } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { PenForm } from './PenForm';
import { PenRow } from './PenRow';

/** The pens of a book: who is in which, and what came of counting it last. */
export function PensCard({ guide, guideId, colony }: { guide: Guide; guideId: string; colony: Colony }) {
  const router = useRouter();
  const session = useSession();
  const counts = useQuery({ queryKey: ['counts'], queryFn: ({ signal }) => fieldApi('counts', {}, signal) });
  const [adding, setAdding] = useState(false);
  const { members, pens } = colony;
  const all = useMemo(
    () => pensOf(members, pens, guide.heredity?.neverMix, strainsOf(members)),
    [members, pens, guide.heredity?.neverMix],
  );
  const isUsed = ({ pen, here }: PenState<ColonyMember, Pen>) => !pen?.until || here.length > 0;
  const [used, old] = [all.filter(isUsed), all.filter((one) => !isUsed(one))];
  const labelOf = (pen: string) => `${pen}, ${guide.title}`.slice(0, 120);
  const count = ({ name, here }: PenState<ColonyMember, Pen>) => {
    const id = mintId();
    countDrafts.startDraft(session.station.id, id, {
      ...{ version: 0, hidden: false, kind: 'inventory', label: labelOf(name), by: session.account.name },
      at: new Date().toISOString(),
      tallies: [{ label: name, guideId, males: 0, females: 0, unsexed: 0 }],
      expected: here.map((one) => ({ name: one.name, seen: false })),
    });
    router.push(`/field/counts/${id}`);
  };
  const row = (state: PenState<ColonyMember, Pen>) => (
    <PenRow
      key={state.pen?.id ?? state.name}
      {...{ guide, guideId, state, members, pens }}
      last={counts.data?.counts.find(({ label }) => label === labelOf(state.name))}
      onCount={() => count(state)}
    />
  );
  return (
    <Card title="Pens">
      {all.length === 0 && <Text quiet>A pen, a cage, an aviary: who is in which, and how many each takes.</Text>}
      {used.map(row)}
      {adding ? (
        <PenForm {...{ guide, guideId, pens }} onDone={() => setAdding(false)} />
      ) : (
        <Row padTop="s" oneLine gap="none">
          <Button small label="Write a pen down" onPress={() => setAdding(true)} />
        </Row>
      )}
      {old.length > 0 && <Disclosure title={`Pens no longer used (${old.length})`}>{old.map(row)}</Disclosure>}
    </Card>
  );
}
