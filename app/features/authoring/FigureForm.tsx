import { type Figure, LICENCES, sayLicence } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import type { PartProps } from './WritingScreen';

/** What is said of a photograph; nothing chosen yet is empty. */
export interface FigureWords {
  taxon: string;
  view: string;
  credit: string;
  licence: string;
  caption: string;
}

export const beginFigure = ({ taxa, views }: PartProps['draft']): FigureWords => ({
  taxon: taxa.length === 1 ? taxa[0].id : '',
  view: views.length === 1 ? views[0].id : '',
  ...{ credit: '', licence: '', caption: '' },
});

/** What a photograph still wants before it may stand in the guide; what it showed may be gone meanwhile. */
export function problemOf(
  { taxa, views }: PartProps['draft'],
  { taxon, view, credit, licence }: FigureWords,
): { of: string; says: string } | undefined {
  if (!taxa.some(({ id }) => id === taxon)) return { of: 'taxon', says: 'Choose what it shows.' };
  if (!views.some(({ id }) => id === view)) return { of: 'view', says: 'Choose from where it is seen.' };
  if (!credit.trim()) return { of: 'credit', says: 'Write whose photograph it is: none stands in a guide without.' };
  if (!licence) return { of: 'licence', says: 'Choose on what terms it may be used: none stands in a guide without.' };
  return undefined;
}

/** A photograph with what is said of it, in which {@link problemOf} finds nothing wrong. */
export const sayOf = (
  figure: Pick<Figure, 'id' | 'photo' | 'width' | 'height'> & Partial<Figure>,
  { taxon, view, credit, licence, caption }: FigureWords,
): Figure => ({
  ...omit(figure, 'caption'),
  ...{ taxon, view, credit: credit.trim(), licence: licence as Figure['licence'] },
  ...(caption.trim() ? { caption: caption.trim() } : {}),
});

interface Props {
  draft: PartProps['draft'];
  words: FigureWords;
  problem?: { of: string; says: string };
  onChange: (more: Partial<FigureWords>) => void;
}

/** Of what a photograph is, from where, whose it is, and on what terms it may be used. */
export function FigureForm({ draft, words, problem, onChange }: Props) {
  const at = (of: string) => (problem?.of === of ? problem.says : undefined);
  return (
    <Stack gap="m">
      <Text size="small" strong quiet>
        It shows
      </Text>
      <Picker
        label="It shows"
        items={draft.taxa.map(({ id, name, vernacular }) => ({ id, label: name, words: vernacular }))}
        chosen={words.taxon || undefined}
        onChange={(taxon) => onChange({ taxon })}
      />
      <Wrong says={at('taxon')} />
      <ChoiceGroup
        label="Seen"
        options={draft.views.map(({ id, label }) => ({ id, label }))}
        chosen={words.view ? [words.view] : []}
        onChange={([view]) => onChange({ view })}
      />
      <Wrong says={at('view')} />
      <CommitField
        label="Whose it is"
        hint="The name that stands below it."
        value={words.credit}
        maxLength={200}
        problem={at('credit')}
        onCommit={(credit) => onChange({ credit })}
      />
      <ChoiceGroup
        label="It may be used"
        options={LICENCES.map((id) => ({ id, label: sayLicence(id) }))}
        chosen={words.licence ? [words.licence as (typeof LICENCES)[number]] : []}
        onChange={([licence]) => onChange({ licence })}
      />
      <Wrong says={at('licence')} />
      <CommitField
        label="What is to be seen on it"
        value={words.caption}
        multiline
        maxLength={1000}
        onCommit={(caption) => onChange({ caption })}
      />
    </Stack>
  );
}

const Wrong = ({ says }: { says?: string }) => says && <Notice kind="problem">{says}</Notice>;
