import type { ColonyMember } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { hiddenIn, locusLabel, sayChance, standing } from './words';

/** Mates told of; the rest would take longer. */
const TOLD = 6;
/** Young after which it is said how likely one has found out. */
const AFTER = 6;

interface Props {
  guide: Guide;
  guideId: string;
  member: ColonyMember;
  /** By how much the book has changed: then it is asked anew. */
  members: readonly ColonyMember[];
}

/** Does it carry what cannot be seen? With whom its young would tell soonest, and after how many plain ones one is sure. */
export function ProofCard({ guide, guideId, member, members }: Props) {
  const [at, setAt] = useState<string>();
  const hidden = hiddenIn(guide);
  const chosen = hidden.find(({ id }) => id === at);
  const found = useQuery({
    queryKey: ['proof', guideId, member.id, at, standing(members)],
    enabled: chosen !== undefined,
    retry: false,
    queryFn: ({ signal }) => {
      const { locus, allele, character, state } = chosen!;
      const body = { individual: member.id, locus, allele, shows: { character, state }, sure: 0.95 };
      return colonyApi('prove', { params: { id: guideId }, body }, signal);
    },
  });
  if (hidden.length === 0) return null;
  return (
    <Card title="Does it carry it unseen?">
      <ChoiceGroup
        label="What it may carry"
        hideLabel
        options={hidden.map(({ id, label }) => ({ id, label }))}
        chosen={at ? [at] : []}
        clearable
        onChange={([one]) => setAt(one)}
      />
      {chosen && found.isPending && <Loading what="What would prove it" />}
      {chosen && found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {chosen && found.data?.mates.length === 0 && <Text quiet>There is nobody here with whom it could have young.</Text>}
      {chosen &&
        found.data?.mates.slice(0, TOLD).map(({ mate, carrier, telling, young, found: within }) => (
          <Stack key={mate} gap="hair" padTop="xs">
            <Text strong>{`With ${mate}`}</Text>
            {carrier < 0.0005 ? (
              <Text>{`It does not carry ${locusLabel(guide, chosen.locus)}: nothing to prove.`}</Text>
            ) : carrier > 0.9995 ? (
              <Text figures>{`It carries it for certain; ${sayTelling(telling)}`}</Text>
            ) : (
              <>
                <Text figures>{sayYoung(young)}</Text>
                <Text figures size="small" quiet>
                  {`carries it now ${inHundred(carrier)}; if so, ${sayTelling(telling)} Found out within ${AFTER} young: ${sayChance(within[AFTER - 1])}.`}
                </Text>
              </>
            )}
          </Stack>
        ))}
      {chosen && <LeftOut records={found.data?.without} />}
    </Card>
  );
}

const sayTelling = (telling: number | undefined): string =>
  telling === undefined ? 'no young of theirs would show it.' : `one young in ${+telling.toFixed(1)} would show it.`;

const sayYoung = (young: number | undefined): string =>
  young === undefined
    ? 'No number of young would clear it.'
    : young === 0
      ? 'It is 95 in 100 sure already that it does not.'
      : `${young} young, and none that shows it: 95 in 100 sure that it does not carry it.`;
