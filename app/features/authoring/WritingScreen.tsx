import { Suspense } from 'react';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { lazyPart } from '../../ui/lazyPart';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Loading } from '../../ui/states';
import { Tabs } from '../../ui/Tabs';
import { Text } from '../../ui/Text';
import { AboutPart } from './AboutPart';
import { type Goal, type Part, PARTS } from './goals';
import { TaxaPart } from './TaxaPart';
import { useWriting } from './useWriting';
import type { Writing, WritingState } from './writing';

const TABS = (Object.keys(PARTS) as Part[]).map((id) => ({ id, label: PARTS[id] }));

/** What is said to come while the code of a part is fetched, where not what the part is called. */
const COMES: Partial<Record<Part, string>> = {
  places: 'Places',
  heredity: 'How it is inherited',
  matrix: 'Tables',
  try: 'The trial',
  look: 'What the draft says',
};

const isPart = (asked: string | undefined): asked is Part => asked !== undefined && Object.hasOwn(PARTS, asked);

const SAVING: Record<WritingState['saving'], string> = {
  saved: 'Saved',
  saving: 'Saving …',
  waiting: 'Saving …',
  offline: 'Kept on this device until the connection is back',
};

/** What each part of the editor is given. */
export interface PartProps {
  /** Of the draft. */
  id: string;
  draft: WritingState['working']['draft'];
  scores: WritingState['working']['scores'];
  edit: Writing['edit'];
  /** What somebody came for, from where the draft is looked over. */
  sought?: Omit<Goal, 'part'>;
}

/** Fetched when somebody describes characters. */
const CharactersPart = lazyPart(
  () => import('./CharactersPart'),
  (part) => part.CharactersPart,
);
/** Fetched when somebody scores. */
const ScoresPart = lazyPart(
  () => import('./ScoresPart'),
  (part) => part.ScoresPart,
);
/** Fetched when somebody brings a table. */
const MatrixPart = lazyPart(
  () => import('./MatrixPart'),
  (part) => part.MatrixPart,
);
/** Fetched when somebody says where and when. */
const PlacesPart = lazyPart(
  () => import('./PlacesPart'),
  (part) => part.PlacesPart,
);
/** Fetched when somebody explains words. */
const WordsPart = lazyPart(
  () => import('./WordsPart'),
  (part) => part.WordsPart,
);
/** Fetched when somebody brings photographs. */
const FiguresPart = lazyPart(
  () => import('./FiguresPart'),
  (part) => part.FiguresPart,
);
/** Fetched when somebody sets rules. */
const RulesPart = lazyPart(
  () => import('./RulesPart'),
  (part) => part.RulesPart,
);
/** Fetched when somebody says how it is inherited. */
const HeredityPart = lazyPart(
  () => import('./HeredityPart'),
  (part) => part.HeredityPart,
);
/** Fetched when somebody looks it over. */
const LookPart = lazyPart(
  () => import('./LookPart'),
  (part) => part.LookPart,
);
/** Fetched when somebody tries it. */
const TryPart = lazyPart(
  () => import('./TryPart'),
  (part) => part.TryPart,
);

/** A guide that is being written, part by part. */
export function WritingScreen({ id }: { id: string }) {
  const { writing, state, error, retry } = useWriting(id);
  return (
    <AsyncScreen what="The draft" value={writing && state && { writing, state }} error={error} retry={retry}>
      {(open) => <Editor id={id} {...open} />}
    </AsyncScreen>
  );
}

function Editor({ id, writing, state }: { id: string; writing: Writing; state: WritingState }) {
  const [{ part: asked, taxon, character }, setAddress] = useAddress(['part', 'taxon', 'character'], 0);
  const part = isPart(asked) ? asked : 'about';
  const { working, saving, refused, canUndo, canRedo, version } = state;
  const { draft, scores } = working;
  const sought = taxon || character ? { taxon, character } : undefined;
  const props: PartProps = { id, draft, scores, edit: writing.edit, sought };
  const go = (goal: Goal) => setAddress({ taxon: undefined, character: undefined, ...goal });
  return (
    <Screen
      widest={1180}
      foot={
        <Row align="center">
          <Text size="small" quiet role="status" fill={120}>
            {SAVING[saving]}
          </Text>
          <Button label="Undo" disabled={!canUndo} onPress={writing.undo} />
          <Button label="Redo" disabled={!canRedo} onPress={writing.redo} />
        </Row>
      }
    >
      <PageHeading>{draft.title || 'A new guide'}</PageHeading>
      {refused && (
        <Notice kind="problem" title="Not taken">
          {refused}
        </Notice>
      )}
      <Tabs label="Parts of the guide" tabs={TABS} chosen={part} onChange={(next) => go({ part: next })}>
        <Suspense fallback={<Loading what={COMES[part] ?? PARTS[part]} />}>
          {part === 'about' && <AboutPart {...props} />}
          {part === 'taxa' && <TaxaPart {...props} />}
          {part === 'characters' && <CharactersPart {...props} />}
          {part === 'scores' && <ScoresPart {...props} />}
          {part === 'places' && <PlacesPart {...props} />}
          {part === 'words' && <WordsPart {...props} />}
          {part === 'figures' && <FiguresPart {...props} />}
          {part === 'rules' && <RulesPart {...props} />}
          {part === 'heredity' && <HeredityPart {...props} />}
          {part === 'matrix' && <MatrixPart {...props} flush={writing.flush} takenIn={writing.takenIn} />}
          {part === 'try' && <TryPart id={id} draft={draft} version={version} saved={saving === 'saved'} />}
          {part === 'look' && (
            <LookPart
              {...props}
              version={version}
              saved={saving === 'saved'}
              flush={writing.flush}
              catchUp={writing.catchUp}
              go={go}
            />
          )}
        </Suspense>
      </Tabs>
    </Screen>
  );
}
