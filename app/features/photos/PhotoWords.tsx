import type { Guide } from '@plesion/core/guide';
import type { KeptPhoto } from '@plesion/core/specimen';
import { useState } from 'react';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';

interface PhotoWordsProps {
  photo: KeptPhoto;
  views: Guide['views'];
  onSay: (said: KeptPhoto) => void;
}

/** What a photo shows and who made it. What is written is one change, when one is done with it. */
export function PhotoWords({ photo, views, onSay }: PhotoWordsProps) {
  const [note, setNote] = useState(photo.note ?? '');
  const [credit, setCredit] = useState(photo.credit ?? '');
  const say = (part: Partial<KeptPhoto>) => onSay({ ...photo, note: note.trim(), credit: credit.trim(), ...part });
  const written = () => {
    if (note.trim() !== (photo.note ?? '') || credit.trim() !== (photo.credit ?? '')) say({});
  };
  return (
    <>
      {views.length > 0 && (
        <ChoiceGroup
          label="View"
          clearable
          options={views.map(({ id, label }) => ({ id, label }))}
          chosen={photo.view ? [photo.view] : []}
          onChange={([view]) => say({ view })}
        />
      )}
      <TextField label="What it shows" value={note} onChangeText={setNote} onBlur={written} maxLength={400} multiline />
      <TextField
        label="Credit"
        value={credit}
        onChangeText={setCredit}
        onBlur={written}
        onSubmitEditing={written}
        maxLength={200}
        hint="Who made it, as they want to be named."
      />
    </>
  );
}
