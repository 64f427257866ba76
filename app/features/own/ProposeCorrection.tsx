import type { StoredGuide } from '@plesion/contract';
import { isCorrected, type OwnCell } from '@plesion/core/own';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { ownApi } from './ownApi';

interface ProposeCorrectionProps {
  stored: StoredGuide;
  cell: OwnCell;
  weight: number;
}

/** One mark as a correction of the guide: written into its next version, to be looked over there and published. */
export function ProposeCorrection({ stored: { id, guide }, cell, weight }: ProposeCorrectionProps) {
  const { role } = useSession().account;
  const router = useRouter();
  const { taxon, facets, character } = cell;
  const propose = useMutation({
    mutationFn: () => ownApi('proposeCorrection', { params: { id }, body: { taxon, facets, character, weight } }),
    onSuccess: ({ draft }) => router.push(`/guides/write/${draft}?part=look`),
  });
  const corrected = isCorrected(guide, cell);
  const mark = guide.characters.find((one) => one.id === character)?.label ?? character;
  return (
    <>
      {corrected && (
        <Text size="small" quiet>
          Corrected in this guide.
        </Text>
      )}
      {role !== 'learner' && (
        <Button
          small
          label={corrected ? 'Propose it anew' : 'Propose as a correction'}
          hint={`${corrected ? 'Propose it anew' : 'Propose as a correction'}: ${mark}`}
          busy={propose.isPending}
          onPress={() => propose.mutate()}
        />
      )}
      {propose.error && <Notice kind="problem">{propose.error.message}</Notice>}
    </>
  );
}
