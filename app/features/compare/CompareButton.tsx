import type { Standing } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { comparablePair } from '../analysis/leadingForm';

interface CompareButtonProps {
  /** The specimen, whose situation and judgement hold. */
  id: string;
  guideId: string;
  guide: Guide;
  answer: Standing;
}

/** From any standing to the two in front, side by side. */
export function CompareButton({ id, guideId, guide, answer }: CompareButtonProps) {
  const router = useRouter();
  const pair = comparablePair(guide, answer);
  if (!pair) return null;
  const params = { id: guideId, forms: pair.join(','), specimen: id };
  return (
    <Button
      small
      kind="quiet"
      label="Compare"
      hint="Compare these two"
      onPress={() => router.push({ pathname: '/guides/[id]/compare', params })}
    />
  );
}
