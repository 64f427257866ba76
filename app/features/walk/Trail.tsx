import { inHundred } from '@plesion/core/evidence';
import { coupletIndex } from '@plesion/core/keys';
import { memo } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { colour, space } from '../../theme/index';
import { PressBox } from '../../ui/PressBox';
import { Text } from '../../ui/Text';
import type { OpenWalk } from './useWalk';

interface TrailProps {
  bench: OpenWalk;
  /** The couplet in sight. */
  shown?: string;
  onShow: (couplet: string) => void;
}

/** Every decision so far, each a way back to its couplet. */
export const Trail = memo(function Trail({ bench, shown, onShow }: TrailProps) {
  const { trail, at, open } = bench.result;
  const index = coupletIndex(bench.stored.key);
  const steps = trail.map((step) => ({
    couplet: step.couplet,
    label: step.forked ? `${step.number} both` : `${step.number}${step.lead}`,
    detail: step.forked ? 'both ways' : (lead(step.couplet, step.lead!) ?? ''),
    doubt: step.forked || step.certainty === 'guess' || step.certainty === 'likely',
    p: step.leads.find((one) => one.lead === step.lead)?.p,
  }));
  function lead(couplet: string, id: string) {
    return index.get(couplet)?.leads.find((one) => one.id === id)?.statements[0]?.text;
  }
  const next = [at, ...open.map(({ couplet }) => couplet)].filter((id): id is string => id !== null);
  const chips = [
    ...steps.map((step) => (
      <Step key={step.couplet} {...step} on={shown === step.couplet} onPress={() => onShow(step.couplet)} />
    )),
    ...next.map((id) => (
      <Step
        key={id}
        label={`${index.get(id)!.number} ?`}
        detail="to decide"
        on={shown === id}

        open
        onPress={() => onShow(id)}
      />
    )),
  ];
  return (
    <ScrollView
      horizontal
      role="group"
      aria-label="The way so far"
      contentContainerStyle={styles.along}
      showsHorizontalScrollIndicator={false}
    >
      {chips}
    </ScrollView>
  );
});

interface StepProps {
  label: string;
  detail: string;
  on: boolean;
  open?: boolean;
  doubt?: boolean;
  p?: number;
  onPress: () => void;
}

function Step({ label, detail, on, open, doubt, p, onPress }: StepProps) {
  return (
    <PressBox
      role="button"
      aria-current={on ? 'step' : undefined}
      accessibilityLabel={`Couplet ${label}: ${detail}${p !== undefined && p < 0.9 ? `, ${inHundred(p)}` : ''}`}
      onPress={onPress}
      align="center"
      justify="center"
      least="touch"
      padX="m"
      ruled="round"
      ruledIn="hairline"
      touch
      round="m"
      tone="sheet"
      style={[open && styles.open, doubt && styles.doubt, on && styles.on]}
    >
      <Text size="small" strong color={on ? colour.kelp : colour.ink}>
        {label}
      </Text>
    </PressBox>
  );
}

const styles = StyleSheet.create({
  along: { gap: space.xs, paddingVertical: 2 },
  open: { borderStyle: 'dashed', borderColor: colour.unknown },
  doubt: { borderColor: colour.for, borderStyle: 'dashed' },
  on: { borderColor: colour.kelp, borderWidth: 2, backgroundColor: colour.kelpWash },
});
