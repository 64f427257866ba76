import type { SpecimenRow } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { photosOf, type KeptPhoto } from '@plesion/core/specimen';
import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { space } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { sayForm } from '../compare/FormPick';
import { PhotoStrip } from '../photos/PhotoStrip';
import { drawnViews } from '../plates/plates';
import { compiledOf } from '../records/compiled';
import { type Other, useOtherSpecimen } from './other';

interface OtherPickProps {
  id: string;
  guide: Guide;
  guideId: string;
  other: Other;
  /** The other photos of this specimen. */
  photos: readonly KeptPhoto[];
  onChange: (part: Partial<Other>) => void;
}

/** Choose what a photo is laid beside. */
export function OtherPick({ id, guide, guideId, other, photos, onChange }: OtherPickProps) {
  const views = drawnViews(guide);
  const kinds = [
    ...(views.length ? [{ id: 'plate' as const, label: 'a plate' }] : []),
    ...(photos.length ? [{ id: 'photo' as const, label: 'another photo of it' }] : []),
    { id: 'specimen' as const, label: 'another specimen' },
  ];
  return (
    <View style={{ gap: space.m }}>
      <ChoiceGroup
        label="Beside it"
        options={kinds}
        chosen={[other.kind]}
        onChange={([kind]) => onChange({ kind, photo: undefined })}
      />
      {other.kind === 'plate' && (
        <>
          <ChoiceGroup label="View" options={views} chosen={[other.view]} onChange={([view]) => onChange({ view })} />
          <Picker
            label="Form"
            items={compiledOf(guide).forms.map(({ id: form }) => ({ id: form, label: sayForm(guide, compiledOf(guide), form) }))}
            chosen={other.form}
            onChange={(form) => onChange({ form })}
          />
        </>
      )}
      {other.kind === 'photo' && (
        <PhotoStrip photos={photos} shown={other.photo ?? photos[0].hash} onChoose={(photo) => onChange({ photo })} alone />
      )}
      {other.kind === 'specimen' && <SpecimenPick id={id} guideId={guideId} other={other} onChange={onChange} />}
    </View>
  );
}

/** A specimen of the same guide that has photos, and which of them. */
function SpecimenPick({ id, guideId, other, onChange }: Pick<OtherPickProps, 'id' | 'guideId' | 'other' | 'onChange'>) {
  const list = useQuery({
    queryKey: ['specimens', 'with photos', guideId],
    queryFn: ({ signal }) => api('specimens', { query: { guideId, limit: 200 } }, signal),
  });
  const rows = (list.data?.specimens ?? []).filter(({ id: one, photo }) => one !== id && photo !== undefined);
  const shown = useOtherSpecimen(other.specimen);
  const photos = shown ? photosOf(shown) : [];
  if (list.error) return <Failed error={list.error} retry={() => void list.refetch()} />;
  if (list.data && rows.length === 0)
    return (
      <Text size="small" quiet>
        No other specimen of this guide has a photo yet.
      </Text>
    );
  return (
    <>
      <Picker
        label="Specimen"
        items={rows.map((row) => ({ id: row.id, label: sayRow(row), words: row.place }))}
        chosen={other.specimen}
        onChange={(specimen) => onChange({ specimen, photo: undefined })}
      />
      {photos.length > 1 && (
        <PhotoStrip photos={photos} shown={other.photo ?? photos[0].hash} onChoose={(photo) => onChange({ photo })} />
      )}
    </>
  );
}

const sayRow = ({ label, summary, date }: SpecimenRow): string => [label, summary.name, date].filter(Boolean).join(' · ');
