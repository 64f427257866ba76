import type { StoredKey } from '@plesion/contract';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

/** What is wrong with a key, faults first; each opens its couplet. */
export function KeyProblems({ problems, onOpen }: { problems: StoredKey['problems']; onOpen?: (couplet: string) => void }) {
  if (problems.length === 0) {
    return (
      <Sheet title="Checked">
        <Words size="small" quiet>
          Every couplet is reached and leads on, every lead has its contrast, and nothing overlaps.
        </Words>
      </Sheet>
    );
  }
  const faults = problems.filter(({ weight }) => weight === 'fault');
  const cautions = problems.filter(({ weight }) => weight === 'caution');
  return (
    <Sheet
      title="Checked"
      aside={[faults.length && `${faults.length} to mend`, cautions.length && `${cautions.length} to consider`]
        .filter(Boolean)
        .join(' · ')}
    >
      {[...faults, ...cautions].map((problem, i) => (
        <Pressable
          key={i}
          role="button"
          disabled={!problem.couplet || !onOpen}
          onPress={() => problem.couplet && onOpen?.(problem.couplet)}
          style={styles.row}
        >
          <View style={[styles.tag, problem.weight === 'fault' && styles.fault]}>
            <Words size="small" strong color={problem.weight === 'fault' ? colour.hazard : colour.quiet}>
              {problem.weight === 'fault' ? 'mend' : 'consider'}
            </Words>
          </View>
          <Words size="small" style={styles.grow}>
            {problem.message}
          </Words>
        </Pressable>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: TOUCH },
  tag: {
    minWidth: 72,
    alignItems: 'center',
    borderRadius: radius.s,
    borderWidth: 1,
    borderColor: colour.hairline,
    paddingVertical: 2,
  },
  fault: { borderColor: colour.hazard, backgroundColor: colour.hazardWash },
  grow: { flex: 1 },
});
