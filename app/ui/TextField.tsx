import { type Ref, useId } from 'react';
import { StyleSheet, TextInput, type TextInputProps, View } from 'react-native';
import { colour, font, radius, space, TOUCH } from '../theme';
import { useLetterScale } from '../theme/appearance';
import { Text } from './Text';

export interface TextFieldProps extends Omit<TextInputProps, 'onChange'> {
  label: string;
  value: string;
  onChangeText: (text: string) => void;
  /** What is wrong and what to do. */
  problem?: string;
  unit?: string;
  ref?: Ref<TextInput>;
  hint?: string;
  /** For a long text that is pasted: so high at least, in small letters. */
  paste?: number;
}

/** A labelled text field; its problem is read out with it. */
export function TextField({ label, problem, unit, hint, paste, style, ...input }: TextFieldProps) {
  const id = useId();
  const scale = useLetterScale();
  return (
    <View style={styles.group}>
      <Text size="small" strong quiet nativeID={`${id}-label`}>
        {label}
      </Text>
      <View style={styles.row}>
        <TextInput
          {...input}
          accessibilityLabel={label}
          aria-invalid={Boolean(problem)}
          aria-describedby={problem ? `${id}-problem` : undefined}
          placeholderTextColor={colour.quiet}
          style={[
            styles.input,
            { fontSize: 16 * scale },
            WITH_LABEL,
            input.multiline && [styles.tall, GROWS],
            paste ? { minHeight: paste, fontSize: 13 * scale } : undefined,
            problem ? styles.wrong : undefined,
            style,
          ]}
        />
        {unit && <Text quiet>{unit}</Text>}
      </View>
      {hint && !problem && (
        <Text size="small" quiet>
          {hint}
        </Text>
      )}
      {problem && (
        <Text nativeID={`${id}-problem`} role="alert" size="small" color={colour.hazard}>
          {problem}
        </Text>
      )}
    </View>
  );
}

/** One that takes the focus comes into sight together with what it is called. */
const WITH_LABEL = { scrollMarginTop: 2 * TOUCH } as object;

/** A field of several lines is as high as what is in it, where the browser can. */
const GROWS = { fieldSizing: 'content' } as object;

const styles = StyleSheet.create({
  group: { gap: space.xs, flexShrink: 1 },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  input: {
    flex: 1,
    minWidth: 0,
    minHeight: TOUCH,
    borderRadius: radius.s,
    borderWidth: 1,
    borderColor: colour.unknown,
    backgroundColor: colour.sheet,
    paddingHorizontal: space.m,
    fontFamily: font.text,
    color: colour.ink,
  },
  tall: { minHeight: 88, paddingVertical: space.s },
  wrong: { borderColor: colour.hazard, borderWidth: 2 },
});
