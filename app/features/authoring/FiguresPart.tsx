import type { Figure } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { StyleSheet } from 'react-native';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { FirstOf } from '../../ui/FirstOf';
import { lazyPart } from '../../ui/lazyPart';
import { Photo as Picture } from '../../ui/Photo';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TakePhotos } from '../photos/AddPhotos';
import { sendPhoto } from '../photos/keepPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';
import { ChangeRow } from './ChangeRow';
import { beginFigure, FigureForm, type FigureWords, problemOf, sayOf } from './FigureForm';
import { FigurePins } from './FigurePins';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

/** The table that photographs are measured on comes when one is to be. */
const Measures = lazyPart(
  () => import('./FigureMeasures'),
  (part) => part.FigureMeasures,
);

/** Photos that were sent and wait for their words; what was said of the last one is proposed for the next. */
const Waiting = z.object({
  photos: z.array(z.object({ hash: z.string(), width: z.number(), height: z.number() })),
  words: z.object({ taxon: z.string(), view: z.string(), credit: z.string(), licence: z.string(), caption: z.string() }),
});

/** Photographs of the forms: whose they are and on what terms, what they show, and what is to be seen on them. */
export function FiguresPart({ id, draft, edit }: PartProps) {
  const figures = draft.figures ?? [];
  const [waiting, change] = useKeptState(`figures of ${id}`, Waiting, { photos: [], words: beginFigure(draft) });
  const [problem, setProblem] = useState<{ of: string; says: string }>();
  const [open, setOpen] = useState<string>();
  const keep = (next: Figure[]) =>
    next.length ? edit({ do: 'part', set: { figures: next }, drop: [] }) : edit({ do: 'part', set: {}, drop: ['figures'] });
  const [next] = waiting.photos;
  const words: FigureWords = waiting.words;
  const putIn = () => {
    const wrong = problemOf(draft, words);
    setProblem(wrong);
    if (wrong) return;
    const { hash: photo, width, height } = next;
    const { name } = draft.taxa.find((one) => one.id === words.taxon)!;
    const figure = sayOf({ id: freshId(`${name} ${words.view}`, figures), photo, width, height }, words);
    if (!keep([...figures, figure])) return;
    change({ photos: waiting.photos.slice(1), words: { ...words, caption: '' } });
    setOpen(figure.id);
  };
  return (
    <>
      <Card title="A photograph" aside={waiting.photos.length > 1 ? `${waiting.photos.length} wait for their words` : undefined}>
        {draft.taxa.length === 0 ? (
          <Text quiet>Write the taxa first: each photograph is of one of them.</Text>
        ) : (
          <>
            {next && (
              <>
                <Shown photo={next.hash} shape={next.width / next.height} label="The photograph that waits for its words" />
                <FigureForm
                  draft={draft}
                  words={words}
                  problem={problem}
                  onChange={(more) => change({ words: { ...words, ...more } })}
                />
                <Row>
                  <Button label="Add" onPress={putIn} />
                  <Button kind="quiet" label="Discard" onPress={() => change({ photos: waiting.photos.slice(1) })} />
                </Row>
              </>
            )}
            <TakePhotos
              has={Boolean(next)}
              take={async (file) => {
                const sent = await sendPhoto(file);
                change(({ photos }) => ({ photos: [...photos, sent] }));
              }}
            />
            <Text size="small" quiet>
              Photographs are sent to the station at once, so they want a connection. Where they were taken is not passed on.
            </Text>
          </>
        )}
      </Card>
      <Card title="Photographs" aside={`${figures.length}`}>
        {figures.length === 0 && (
          <Text quiet>None yet. They stand on the pages of the forms they show, and beside each other.</Text>
        )}
        <FirstOf of={figures} keyOf={({ id: figure }) => figure} what="photographs">
          {(figure) => (
            <ChangeRow
              strong
              name={draft.taxa.find((one) => one.id === figure.taxon)?.name ?? figure.taxon}
              says={[draft.views.find((one) => one.id === figure.view)?.label, figure.caption, figure.credit]
                .filter(Boolean)
                .join(' · ')}
              height={64}
              open={open === figure.id}
              onToggle={() => setOpen(open === figure.id ? undefined : figure.id)}
            >
              <Opened
                id={id}
                draft={draft}
                figure={figure}
                onChange={(now) => keep(figures.flatMap((one) => (one.id === figure.id ? (now ?? []) : one)))}
              />
            </ChangeRow>
          )}
        </FirstOf>
      </Card>
    </>
  );
}

/** One that is in the guide: its words, what is pointed at on it, and out again. */
function Opened({
  id,
  draft,
  figure,
  onChange,
}: {
  id: string;
  draft: PartProps['draft'];
  figure: Figure;
  onChange: (figure: Figure | undefined) => void;
}) {
  /** What was said and cannot stand; all else is in the draft, where it can be taken back. */
  const [unsaid, setUnsaid] = useState<Partial<FigureWords>>({});
  const words: FigureWords = { ...figure, caption: figure.caption ?? '', ...unsaid };
  const problem = Object.keys(unsaid).length > 0 ? problemOf(draft, words) : undefined;
  const say = (more: Partial<FigureWords>) => {
    const now = { ...words, ...more };
    const wrong = problemOf(draft, now);
    setUnsaid(wrong ? { ...unsaid, ...more } : {});
    if (!wrong) onChange(sayOf(figure, now));
  };
  return (
    <Stack gap="m" padY="s">
      <FigurePins figure={figure} characters={draft.characters} onChange={(pins) => onChange({ ...figure, pins })} />
      <FigureForm draft={draft} words={words} problem={problem} onChange={say} />
      <Disclosure title="Measure on it">
        <Suspense fallback={<Loading what="The photograph" />}>
          <Measures
            id={id}
            figure={figure}
            characters={draft.characters}
            onTold={(told) => say({ caption: [words.caption.trim(), `${told}.`].filter(Boolean).join(' ') })}
          />
        </Suspense>
      </Disclosure>
      <Row>
        <Button
          small
          kind="quiet"
          label="Remove"
          hint={`Remove: the photograph by ${figure.credit}`}
          onPress={() => onChange(undefined)}
        />
      </Row>
    </Stack>
  );
}

function Shown({ photo, shape, label }: { photo: string; shape: number; label: string }) {
  const uri = usePhotoUri(photo, 'small');
  return (
    <Picture source={{ uri }} accessibilityLabel={label} resizeMode="contain" style={[styles.shown, { aspectRatio: shape }]} />
  );
}

const styles = StyleSheet.create({
  shown: { width: '100%', maxWidth: 420 },
});
