import { sayReading } from '@plesion/core/observation';
import type { Standing } from '@plesion/core/evidence';
import { memo, useMemo } from 'react';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import type { Bench } from '../analysis/useBench';
import { CompareButton } from '../compare/CompareButton';
import { JudgementSheets } from '../judgement/JudgementSheets';
import { KeyItSheet } from '../keys/KeyItSheet';
import { PinLinks } from '../photos/PinLinks';
import { WarnedBefore } from '../verification/WarnedBefore';
import { Beam } from './Beam';
import { CharacterList } from './CharacterList';
import { LeadersSheet } from './LeadersSheet';
import { LedgerSheet } from './LedgerSheet';

interface FollowsProps {
  id: string;
  bench: Bench;
}

/** What follows from the readings: an answer is marked first, and this a moment later. */
export const Follows = memo(function Follows({ id, bench, wide = false }: FollowsProps & { wide?: boolean }) {
  const {
    stored: { guide },
    state: { content },
    answer,
  } = bench;
  const leaders = answer && <LeadersSheet guide={guide} answer={answer} level={bench.level} onLevel={bench.setLevel} />;
  return (
    <>
      <WarnedBefore stored={bench.stored} content={content} />
      {answer && <BeamSheet id={id} bench={bench} answer={answer} onOpen={bench.choose} />}
      {wide && leaders}
      <Ledger bench={bench} onOpen={bench.choose} />
      <KeyItSheet id={id} content={content} />
      {!wide && leaders}
      <JudgementSheets bench={bench} />
      {!wide && (
        <Card title="All characters, in working order">
          <CharacterList guide={guide} readings={content.readings} setAside={answer?.setAside} onChoose={bench.choose} />
        </Card>
      )}
    </>
  );
});

function BeamSheet({ id, bench, answer, onOpen }: FollowsProps & { answer: Standing; onOpen: (character: string) => void }) {
  const {
    stored: { guide },
    state: { content },
  } = bench;
  const say = useMemo(
    () => (index: number) => {
      const reading = content.readings[index];
      const character = guide.characters.find((c) => c.id === reading?.character);
      return character && reading ? `${character.label}, ${sayReading(character, reading)}` : 'reading';
    },
    [content.readings, guide],
  );
  return (
    <Card title="The two in front" aside={<CompareButton id={id} guideId={bench.stored.id} guide={guide} answer={answer} />}>
      <Beam
        guide={guide}
        answer={answer}
        say={say}
        onOpen={(index) => content.readings[index] && onOpen(content.readings[index].character)}
      />
      <Text size="small" quiet set="right">
        1 bit doubles the odds
      </Text>
    </Card>
  );
}

function Ledger({ bench, onOpen }: { bench: Bench; onOpen: (character: string) => void }) {
  return (
    <LedgerSheet
      guide={bench.stored.guide}
      readings={bench.state.content.readings}
      answer={bench.answer}
      reader={bench.state.content.judgement?.reader}
      onOpen={onOpen}
      onUndo={bench.draft.undo}
      canUndo={bench.state.canUndo}
      onClearAll={bench.clearAll}
    >
      <PinLinks
        id={bench.draft.id}
        guide={bench.stored.guide}
        readings={bench.state.content.readings}
        top={bench.state.content.photo}
      />
    </LedgerSheet>
  );
}
