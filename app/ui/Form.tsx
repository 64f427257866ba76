import type { ReactNode } from 'react';
import { type Control, Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { type View as Box, View } from 'react-native';
import type { KeptForm } from '../lib/useKeptForm';
import { Button } from './Button';
import { GAPS, type Gap } from './gaps';
import { Notice } from './Notice';
import { Row } from './Row';
import { SendByEnter } from './SendByEnter';
import { Stack } from './Stack';

interface FormProps {
  /** What sends it. */
  submit: () => void;
  gap?: Gap;
  children: ReactNode;
}

/** Fields that are sent together, by Enter in one of them too. */
export const Form = ({ submit, gap = 'm', children }: FormProps) => (
  <SendByEnter value={submit}>
    <Stack gap={gap}>{children}</Stack>
  </SendByEnter>
);

interface FormPartProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  children: ReactNode;
}

/** A field that is chosen, not typed: what is wrong with it stands below, and takes the focus to it. */
export function FormPart<T extends FieldValues>({ control, name, children }: FormPartProps<T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { ref }, fieldState: { error } }) => (
        <View ref={(box: Box | null) => ref(box)} tabIndex={-1} style={{ gap: GAPS.s }}>
          {children}
          {error?.message && <Notice kind="problem">{error.message}</Notice>}
        </View>
      )}
    />
  );
}

interface FormEndProps {
  form: Pick<KeptForm<FieldValues>, 'problem' | 'submit' | 'busy' | 'forget'>;
  /** What the button that sends it says. */
  label: string;
  hint?: string;
  disabled?: boolean;
  /** One of several on its screen. */
  plain?: boolean;
  /** What leaves it, and forgets what was typed. */
  leave?: { label: string; onLeave: () => void };
  /** Other buttons, before these. */
  children?: ReactNode;
}

/** Below a form: what is wrong with none of its fields, and what sends it. */
export const FormEnd = ({ form, label, hint, disabled, plain, leave, children }: FormEndProps) => (
  <>
    {form.problem && <Notice kind="problem">{form.problem}</Notice>}
    <Row justify="end">
      {children}
      {leave && (
        <Button
          kind="quiet"
          label={leave.label}
          onPress={() => {
            form.forget();
            leave.onLeave();
          }}
        />
      )}
      <Button
        kind={plain ? 'plain' : 'main'}
        label={label}
        hint={hint}
        busy={form.busy}
        disabled={disabled}
        onPress={form.submit}
      />
    </Row>
  </>
);
