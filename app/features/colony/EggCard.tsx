import type { ColonyMember } from '@plesion/contract/colony';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { sayChance } from './words';

/** An egg lies in a pen and nobody saw who laid it: whose it is, and in which order to separate them. */
export function EggCard({ guideId, members }: { guideId: string; members: readonly ColonyMember[] }) {
  const [pen, setPen] = useState<string>();
  const here = members.filter(({ kept }) => kept.status === 'here' && kept.pen);
  const pens = [...new Set(here.map(({ kept }) => kept.pen!))].sort();
  const group = here.filter(({ kept }) => kept.pen === pen).map(({ id }) => id);
  const found = useQuery({
    queryKey: ['egg', guideId, members.map(({ id, version }) => `${id} ${version}`).join(), pen],
    enabled: group.length > 0,
    retry: false,
    queryFn: ({ signal }) => colonyApi('whoseEgg', { params: { id: guideId }, body: { group: group.slice(0, 60) } }, signal),
  });
  if (pens.length === 0) return null;
  const likely = found.data?.members.filter(({ p }) => p >= 0.0005) ?? [];
  return (
    <Disclosure title="Whose egg is it?">
      <ChoiceGroup
        label="It lay in"
        options={pens.map((id) => ({ id, label: id }))}
        chosen={pen ? [pen] : []}
        clearable
        onChange={([one]) => setPen(one)}
      />
      {pen && found.isPending && <Loading what="Whose egg it is" />}
      {pen && found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {pen && found.data && (
        <>
          {likely.map(({ id, p }, i) => (
            <Text key={id} figures>{`${i + 1}. ${id}: ${sayChance(p)}`}</Text>
          ))}
          <Text size="small" quiet>
            {likely.length > 1
              ? `Separate them in this order: about ${found.data.separations.toFixed(1)} separations on average. Those who cannot have laid it are left out.`
              : 'Nobody else of them can have laid it.'}
          </Text>
          <LeftOut records={found.data.without} />
        </>
      )}
    </Disclosure>
  );
}
