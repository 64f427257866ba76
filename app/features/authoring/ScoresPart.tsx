import { type CellProblem, partKey, workingOf } from '@plesion/core/authoring';
import { Scope } from '@plesion/core/guide/schema';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { useSought } from '../../ui/useSought';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useBase } from './guideVersion';
import { editOf, gridOf, type Said, saidIn, type Typed } from './grid';
import { PartChoice } from './PartChoice';
import { ScoreGrid } from './ScoreGrid';
import { treeRows } from './taxonTree';
import type { PartProps } from './WritingScreen';

const SHOWN = 8;

const Of = z.object({ source: z.string(), part: Scope.omit({ taxon: true }) });

/** Who has what: taxa against characters, as in a spreadsheet. */
export function ScoresPart({ id, draft, scores, edit, sought }: PartProps) {
  const cell = sought?.taxon && sought.character ? { taxon: sought.taxon, character: sought.character } : undefined;
  const grid = useSought(sought !== undefined, '[role=grid]');
  const [kept, keep] = useKeptState(`scores.${id}`, Of, { source: draft.sources[0]?.id ?? '', part: {} });
  /** As what is sought was said, until something else is chosen. */
  const [found, setFound] = useState(() => cell && saidIn(cell, { draft, scores }, kept));
  const { source, part } = found ?? kept;
  const sayOf = (more: Partial<Said>) => {
    keep({ source, part, ...more });
    setFound(undefined);
  };
  const [problems, setProblems] = useState<CellProblem[]>([]);
  const rows = useMemo(() => treeRows(draft.taxa), [draft.taxa]);
  const own = draft.sources.some(({ id }) => id === source) ? source : (draft.sources[0]?.id ?? '');
  const of = `${id} ${own} ${partKey(part)}`;
  const base = useBase(id);
  const then = useMemo(() => base && workingOf(base.guide), [base]);
  const cellOf = gridOf({ draft, scores }, own, part, then);
  const write = (cells: readonly Typed[]): boolean => {
    const { edit: change, problems: found } = editOf(cells, own, scores, part, draft.taxa);
    setProblems(found);
    return (change ? edit(change) : true) && found.length === 0;
  };
  if (rows.length === 0 || draft.characters.length === 0)
    return (
      <Card title="Who has what">
        <Text quiet>Write down some taxa and some characters first; here it is then said which has what.</Text>
      </Card>
    );
  return (
    <>
      {draft.sources.length > 1 && (
        <ChoiceGroup
          label="As it is said by"
          options={draft.sources.map(({ id, label }) => ({ id, label }))}
          chosen={[own]}
          onChange={([next]) => sayOf({ source: next })}
        />
      )}
      <PartChoice draft={draft} scores={scores} source={own} part={part} onChange={(next) => sayOf({ part: next })} />
      <Text size="small" quiet>
        States by their names, with a word or a share of how often: red; black rarely; or, where it is not known which, either red
        or black. Numbers as 31–38, (28–)31–38(–41) or 12 ±1.5, or above another taxon. Empty is not known. What is grey is had
        from above.
        {base && ` A bar at its edge marks what is not as in version ${base.version}.`}
      </Text>
      {problems.length > 0 && (
        <Notice
          kind="problem"
          title={problems.length === 1 ? 'One cell was not taken' : `${problems.length} cells were not taken`}
        >
          {problems.slice(0, SHOWN).map(({ taxon, character, text, message }) => (
            <Text key={`${taxon} ${character}`} size="small">{`${taxon}, ${character}, “${text}”: ${message}`}</Text>
          ))}
          {problems.length > SHOWN && <Text size="small">{`and ${problems.length - SHOWN} more`}</Text>}
        </Notice>
      )}
      <View ref={grid}>
        <ScoreGrid key={of} name={of} rows={rows} characters={draft.characters} cellOf={cellOf} onWrite={write} sought={sought} />
      </View>
    </>
  );
}
