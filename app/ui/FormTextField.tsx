import { type Control, Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { TextField, type TextFieldProps } from './TextField';

interface FormEntryProps<T extends FieldValues> extends Omit<TextFieldProps, 'value' | 'onChangeText' | 'problem'> {
  control: Control<T>;
  name: FieldPath<T>;
}

/** A text field of a form, with the problem the form finds in it. */
export function FormTextField<T extends FieldValues>({ control, name, ...entry }: FormEntryProps<T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          {...entry}
          value={field.value ?? ''}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          problem={fieldState.error?.message}
        />
      )}
    />
  );
}
