import { useContext } from 'react';
import { type Control, Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { SendByEnter } from './SendByEnter';
import { TextField, type TextFieldProps } from './TextField';

interface FormEntryProps<T extends FieldValues> extends Omit<TextFieldProps, 'value' | 'onChangeText' | 'problem'> {
  control: Control<T>;
  name: FieldPath<T>;
}

/** A text field of a form, with the problem the form finds in it; Enter sends the form that it is in. */
export function FormTextField<T extends FieldValues>({ control, name, ...entry }: FormEntryProps<T>) {
  const send = useContext(SendByEnter);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          // The place is kept: who is refused goes on there.
          {...(send && !entry.multiline && { onSubmitEditing: send, blurOnSubmit: false })}
          {...entry}
          ref={field.ref}
          value={field.value ?? ''}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          problem={fieldState.error?.message}
        />
      )}
    />
  );
}
