import type { Verification } from '@plesion/contract/verifications';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, isUnder, sayFacets } from '@plesion/core/guide';
import type { Determination } from '@plesion/core/specimen';
import { VERIFICATION_WORDS } from '@plesion/core/verification';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Failed, Loading } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { verificationApi, verificationsOf } from './verificationApi';

/** Fetched when somebody has something to say. */
const OutcomeForm = lazy(() => import('./OutcomeForm').then((form) => ({ default: form.OutcomeForm })));

interface VerificationSheetProps {
  specimenId: string;
  guide: Guide;
  /** The newest name it was given. */
  named?: Determination;
}

/** How it turned out what a specimen was, and by what that is known. */
export function VerificationSheet({ specimenId, guide, named }: VerificationSheetProps) {
  const { role } = useSession().account;
  const found = useQuery({
    queryKey: verificationsOf(specimenId),
    queryFn: ({ signal }) => verificationApi('verifications', { query: { specimenId } }, signal),
  });
  const all = found.data?.verifications;
  return (
    <Card title="How it turned out">
      {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
      {all?.length === 0 && (
        <Text quiet>
          Not known yet: an expert’s word, an egg, a test tells more than a call, and its photographs can then be practised with.
        </Text>
      )}
      {all?.map((one) => (
        <Outcome key={one.id} one={one} guide={guide} named={named} />
      ))}
      {all && role !== 'learner' && (
        <Disclosure title="Say how it turned out">
          <Suspense fallback={<Loading what="The form" />}>
            <OutcomeForm specimenId={specimenId} guide={guide} />
          </Suspense>
        </Disclosure>
      )}
      <LinkBox href="/calibration" style={styles.all}>
        <Text size="small" strong color={colour.kelp}>
          How all names turned out
        </Text>
      </LinkBox>
    </Card>
  );
}

function Outcome({ one, guide, named }: { one: Verification; guide: Guide; named?: Determination }) {
  const { id, specimenId, kind, taxon, facets, wrong, on, note, sameCall, by, withdrawnBy } = one;
  const client = useQueryClient();
  const withdraw = useMutation({
    mutationFn: () => verificationApi('withdrawVerification', { params: { id } }),
    onSettled: () => client.invalidateQueries({ queryKey: verificationsOf(specimenId) }),
  });
  const counts = !withdrawnBy && !sameCall;
  const { role } = useSession().account;
  return (
    <View style={styles.outcome}>
      <View style={styles.line}>
        <View style={styles.grow}>
          <TaxonName guide={guide} taxon={taxon} size={17} />
          <Text size="small">
            {[sayFacets(guide, facets), `by ${VERIFICATION_WORDS[kind]}`, sayDate(on), `written down by ${by}`]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {note && <Text size="small">{note}</Text>}
          <Text size="small" quiet>
            {withdrawnBy
              ? `Taken back by ${withdrawnBy}: it counts no more.`
              : sameCall
                ? 'It rests on the same call, and never counts.'
                : `It is itself wrong in ${inHundred(wrong)}.`}
          </Text>
        </View>
        {!withdrawnBy && role !== 'learner' && (
          <Button
            small
            kind="quiet"
            label="Take back"
            hint={`Take back: ${VERIFICATION_WORDS[kind]}`}
            busy={withdraw.isPending}
            onPress={() => withdraw.mutate()}
          />
        )}
      </View>
      {withdraw.error && <Notice kind="problem">{withdraw.error.message}</Notice>}
      {counts && overturns(guide, named, one) && (
        <Text strong color={colour.hazard}>
          It was called otherwise.
        </Text>
      )}
    </View>
  );
}

/** Was it called something that it did not turn out to be? */
function overturns(guide: Guide, named: Determination | undefined, { taxon, facets }: Verification): boolean {
  if (!named?.taxon) return false;
  const called = [named.taxon, named.other].flatMap((one) => one ?? []);
  const same = called.some((one) => isUnder(guide, taxon, one) || isUnder(guide, one, taxon));
  const otherFacet = Object.entries(named.facets).some(([facet, value]) => {
    const known = facets[facet as keyof typeof facets];
    return known !== undefined && known !== value;
  });
  return !same || otherFacet;
}

const styles = StyleSheet.create({
  all: { justifyContent: 'center' },
  outcome: { gap: space.xs, borderTopWidth: 1, borderColor: colour.mist, paddingVertical: space.s },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.m },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 200 },
});
