import type { Bench } from '../analysis/useBench';
import { DisputesSheet } from './DisputesSheet';
import { FirmnessSheet } from './FirmnessSheet';
import { SetAsideSheet } from './SetAsideSheet';
import { WeighingSheet } from './WeighingSheet';

/** Whether it may be believed: how firm it is, whom it rests on, how it was weighed, what was set aside. */
export function JudgementSheets({ bench }: { bench: Bench }) {
  const {
    stored: { id, guide },
    answer,
    state: { content },
  } = bench;
  if (!answer) return null;
  const judgement = content.judgement ?? {};
  return (
    <>
      <FirmnessSheet guide={guide} answer={answer} readings={content.readings} onOpen={bench.choose} />
      <DisputesSheet guide={guide} answer={answer} judgement={judgement} onJudge={bench.judge} />
      <WeighingSheet guideId={id} guide={guide} answer={answer} judgement={judgement} onJudge={bench.judge} />
      <SetAsideSheet guide={guide} answer={answer} />
    </>
  );
}
