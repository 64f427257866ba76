import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import type { Bench } from '../analysis/useBench';
import { DangerNotice } from '../judgement/DangerNotice';
import { FreeTable } from './FreeTable';
import { TOOL, type ToolName } from './tools';

interface FreeDeskProps {
  id: string;
  bench: Bench;
  tool: ToolName;
  photo: string;
}

/** Something measured on a photo that is no character of the guide: told with its error, and kept as a note. */
export function FreeDesk({ id, bench, tool, photo }: FreeDeskProps) {
  const { label } = TOOL[tool];
  const put = (words: string) =>
    bench.draft.change((now) => ({
      ...now,
      situation: { ...now.situation, note: [now.situation.note, `Measured ${label}: ${words}.`].filter(Boolean).join('\n') },
    }));
  return (
    <Screen widest={1240}>
      <DangerNotice guide={bench.stored.guide} answer={bench.answer} folded />
      <PageHeading size="title" title={`Measure ${label}`}>{`Measure ${label}`}</PageHeading>
      <FreeTable
        name={`${id} free ${tool}`}
        tool={TOOL[tool]}
        photo={photo}
        keep={{ label: 'Save as a note', put, said: bench.state.content.situation.note }}
      />
    </Screen>
  );
}
