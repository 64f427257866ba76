import { useEffect, useRef, useState } from 'react';
import { TextField, type TextFieldProps } from '../../ui/TextField';

interface Props extends Omit<TextFieldProps, 'onChangeText'> {
  onCommit: (text: string) => void;
}

/** A field whose text counts when it is left: one change, and one step to undo, however much was typed. */
export function CommitField({ value, onCommit, ...field }: Props) {
  const [typed, setTyped] = useState<string>();
  const commit = () => {
    if (typed !== undefined && typed !== value) onCommit(typed);
    setTyped(undefined);
  };
  const last = useRef(commit);
  useEffect(() => {
    last.current = commit;
  });
  // A page that is reloaded leaves its field as well.
  useEffect(() => {
    const leave = () => last.current();
    globalThis.addEventListener?.('pagehide', leave);
    return () => globalThis.removeEventListener?.('pagehide', leave);
  }, []);
  return (
    <TextField
      {...field}
      value={typed ?? value}
      onChangeText={setTyped}
      onBlur={commit}
      onSubmitEditing={field.multiline ? undefined : commit}
    />
  );
}
