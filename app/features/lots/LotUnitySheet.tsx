import type { CompiledGuide } from '@plesion/core/guide';
import { type LotUnity, lotUnity } from '@plesion/core/keys';
import type { Situation } from '@plesion/core/observation';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { api, queryClient } from '../../lib/api';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import type { OpenSpecimen } from '../records/useSpecimens';
import { useLotDraft } from '../records/useLots';

interface UnityProps {
  bench: { lot?: { id: string; label: string }; compiled?: CompiledGuide; specimens: readonly OpenSpecimen[] };
}

/** Do the specimens of a lot go together? Where they do not, the lot can be split. */
export const LotUnitySheet = memo(function LotUnitySheet({ bench }: UnityProps) {
  const { lot, compiled, specimens } = bench;
  return lot && compiled && specimens.length > 1 ? <Unity bench={bench} lot={lot} /> : null;
});

const NOWHERE: Situation = {};

function useUnity({ compiled, specimens }: UnityProps['bench']): LotUnity | undefined {
  const situation = specimens[0]?.state.content.situation ?? NOWHERE;
  const told = JSON.stringify(specimens.map(({ id, state }) => [id, state.content.readings]));
  return useMemo(
    () =>
      compiled && specimens.length > 1
        ? lotUnity(
            compiled,
            specimens.map(({ id, state }) => ({ id, readings: state.content.readings })),
            situation,
          )
        : undefined,
    // The readings as told are what it rests on.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
    [compiled, told, situation],
  );
}

/** Stands above the work while the specimens of a lot seem to be of several kinds. */
export function MixedNotice({ bench }: UnityProps) {
  const unity = useUnity(bench);
  if (!bench.lot || !unity?.mixed) return null;
  return (
    <Notice kind="problem" title="Mixed lot">
      {unity.text}
    </Notice>
  );
}

function Unity({ bench, lot }: UnityProps & { lot: { id: string; label: string } }) {
  const { specimens } = bench;
  const unity = useUnity(bench)!;
  const split = useSplit(lot.id);
  const numberOf = (id: string) => specimens.findIndex((one) => one.id === id) + 1;
  const apart = unity.groups.slice(1);
  return (
    <Card title="One kind or several?">
      {unity.mixed ? (
        <Notice kind="problem" title="Mixed lot">
          {unity.text}
        </Notice>
      ) : (
        <Text size="small">{unity.text}</Text>
      )}
      {unity.groups.length > 1 &&
        unity.groups.map((group) => (
          <Text key={group.taxon} size="small">
            {`${group.specimens.map((id) => `no. ${numberOf(id)}`).join(', ')}: nearest to ${group.name}`}
          </Text>
        ))}
      {unity.disagreements.map(({ character, label, a, b }) => (
        <View key={character}>
          <Text size="small" strong>
            {label}
          </Text>
          <Text size="small" quiet>
            {`no. ${numberOf(a.specimen)} ${a.said}; no. ${numberOf(b.specimen)} ${b.said}`}
          </Text>
        </View>
      ))}
      {split.error && <Failed error={split.error} />}
      {apart.length > 0 && (
        <Row>
          <Button
            small
            label={`Split off ${apart[0].specimens.map((id) => `no. ${numberOf(id)}`).join(', ')}`}
            busy={split.isPending}
            onPress={() => split.mutate(apart[0].specimens)}
          />
        </Row>
      )}
    </Card>
  );
}

/** Take specimens out of a lot into one of their own; the walk so far goes with both. */
export function useSplit(lotId: string) {
  const router = useRouter();
  const { draft } = useLotDraft(lotId);
  return useMutation({
    mutationFn: async (apart: readonly string[]) => {
      if (!draft) throw new Error('The lot is not open.');
      const { content } = draft.get();
      const id = mintId();
      const walk = content.walk && {
        ...content.walk,
        // What was seen on the others stays with them.
        answers: content.walk.answers.map((answer) => ({
          ...answer,
          ...(answer.statements
            ? { statements: answer.statements.filter(({ specimen }) => !specimen || apart.includes(specimen)) }
            : {}),
        })),
      };
      await api('writeLot', {
        params: { id },
        body: {
          ...content,
          version: 0,
          label: `${content.label}, split off`.slice(0, 120),
          specimens: [...apart],
          ...(walk ? { walk } : {}),
        },
      });
      draft.change((now) => ({
        ...now,
        specimens: now.specimens.filter((one) => !apart.includes(one)),
        ...(now.walk
          ? {
              walk: {
                ...now.walk,
                answers: now.walk.answers.map((answer) => ({
                  ...answer,
                  ...(answer.statements
                    ? { statements: answer.statements.filter(({ specimen }) => !specimen || !apart.includes(specimen)) }
                    : {}),
                })),
              },
            }
          : {}),
      }));
      await draft.flush();
      await queryClient.invalidateQueries({ queryKey: ['lots'] });
      return id;
    },
    onSuccess: (id) => router.push(`/lots/${id}`),
  });
}
