import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../theme';
import { Text } from './Text';

interface NoticeProps {
  /** `caution` stays; `problem` needs doing something about; `note` informs. */
  kind: 'caution' | 'problem' | 'note';
  title?: string;
  children: ReactNode;
  action?: ReactNode;
}

export function Notice({ kind, title, children, action }: NoticeProps) {
  const color = kind === 'note' ? colour.quiet : colour.hazard;
  return (
    <View role={kind === 'problem' ? 'alert' : 'note'} style={[styles.base, kind === 'note' ? styles.note : styles.serious]}>
      {kind === 'caution' && <View style={styles.notch} />}
      <View style={styles.text}>
        {title && (
          <Text strong size="small" color={color}>
            {title}
          </Text>
        )}
        {typeof children === 'string' ? <Text size="small">{children}</Text> : children}
      </View>
      {action}
    </View>
  );
}

const styles = StyleSheet.create({
  base: {
    borderRadius: radius.m,
    padding: space.m,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    overflow: 'hidden',
    flexWrap: 'wrap',
  },
  note: { backgroundColor: colour.kelpWash },
  serious: { backgroundColor: colour.hazardWash, borderWidth: 1.5, borderColor: colour.hazard },
  notch: {
    position: 'absolute',
    right: -9,
    top: -9,
    width: 18,
    height: 18,
    backgroundColor: colour.hazard,
    transform: [{ rotate: '45deg' }],
  },
  text: { flex: 1, minWidth: 180, gap: 2 },
});
