import type { Verification } from '@plesion/contract/verifications';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, sayFacets } from '@plesion/core/guide';
import { VERIFICATION_WORDS } from '@plesion/core/verification';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense } from 'react';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { lazyPart } from '../../ui/lazyPart';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed, Loading } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { EvidencePhoto } from './EvidencePhoto';
import { AttachmentButton } from './AttachmentButton';
import { type Verified, verificationApi, verificationsOf } from './verificationApi';
import { WhatMisled } from './WhatMisled';

/** Fetched when somebody has something to say. */
const OutcomeForm = lazyPart(
  () => import('./OutcomeForm'),
  (form) => form.OutcomeForm,
);

interface VerificationSheetProps {
  of: Verified;
  guide: Guide;
  /** Told when a word was said or taken back. */
  onChange?: () => void;
}

/** What is said before anything is known. */
const notYet = ({ mark, individualId }: Verified): string =>
  mark
    ? 'Not known yet: an egg, a test, a bird met again when older tells more than a call, and reaches its earlier captures.'
    : individualId
      ? 'Not known yet: an egg, its young, a test tell more than a call, and reach every specimen of it in the daybook.'
      : 'Not known yet: an expert’s word, an egg, a test tells more than a call, and its photographs can then be practised with.';

/** How it turned out what a specimen, the bearer of a ring or an individual was, and by what that is known. */
export function VerificationSheet({ of, guide, onChange }: VerificationSheetProps) {
  const { role } = useSession().account;
  const found = useQuery({
    queryKey: verificationsOf(of),
    queryFn: ({ signal }) => verificationApi('verifications', { query: of }, signal),
  });
  const all = found.data?.verifications;
  const judged = found.data?.judged;
  return (
    <Card title="How it turned out">
      {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
      {all?.length === 0 && <Text quiet>{notYet(of)}</Text>}
      {all?.map((one) => (
        <Outcome key={one.id} one={one} of={of} guide={guide} onChange={onChange} />
      ))}
      {judged?.right === false && <WhatMisled guide={guide} judged={judged} />}
      {all && role !== 'learner' && (
        <Disclosure title="Say how it turned out">
          <Suspense fallback={<Loading what="The form" />}>
            <OutcomeForm of={of} guide={guide} onSaved={onChange} />
          </Suspense>
        </Disclosure>
      )}
      <LinkBox href="/calibration" justify="center">
        <Text size="small" strong color={colour.kelp}>
          How all names turned out
        </Text>
      </LinkBox>
    </Card>
  );
}

function Outcome({ one, of, guide, onChange }: { one: Verification } & VerificationSheetProps) {
  const { id, kind, taxon, facets, wrong, on, note, photo, file, sameCall, by, withdrawnBy, individualId } = one;
  const client = useQueryClient();
  const withdraw = useMutation({
    mutationFn: () => verificationApi('withdrawVerification', { params: { id } }),
    onSettled: () => (onChange?.(), client.invalidateQueries({ queryKey: verificationsOf(of) })),
  });
  const { role } = useSession().account;
  return (
    <Stack gap="xs" padY="s" ruled="above">
      <Row gap="m" align="center">
        <Box fill={200}>
          <TaxonName guide={guide} taxon={taxon} size={17} />
          <Text size="small">
            {[
              individualId && !of.individualId ? 'of the individual' : '',
              sayFacets(guide, facets),
              `by ${VERIFICATION_WORDS[kind]}`,
              sayDate(on),
              `written down by ${by}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {note && <Text size="small">{note}</Text>}
          {photo && <EvidencePhoto hash={photo} />}
          {file && <AttachmentButton file={file} />}
          <Text size="small" quiet>
            {withdrawnBy
              ? `Withdrawn by ${withdrawnBy}: it counts no more.`
              : sameCall
                ? 'It rests on the same call, and never counts.'
                : `It is itself wrong in ${inHundred(wrong)}.`}
          </Text>
        </Box>
        {!withdrawnBy && role !== 'learner' && (
          <Button
            small
            kind="quiet"
            label="Withdraw"
            hint={`Withdraw: ${VERIFICATION_WORDS[kind]}`}
            busy={withdraw.isPending}
            onPress={() => withdraw.mutate()}
          />
        )}
      </Row>
      {withdraw.error && <Notice kind="problem">{withdraw.error.message}</Notice>}
    </Stack>
  );
}
