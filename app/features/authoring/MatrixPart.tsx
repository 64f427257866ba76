import {
  draftOf,
  csvOf,
  editsOf,
  type Matrix,
  matrixChanges,
  matrixOf,
  readMatrix,
  tableOf,
  writeCsv,
  writeLongCsv,
  writeNexus,
  writeSddMatrix,
  type Working,
} from '@plesion/core/authoring';
import { MatrixTaken } from '@plesion/contract/authoring';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { pickFile, saveFile } from '../../lib/files';
import { useJob } from '../../lib/useJob';
import { useKeptState } from '../../lib/useKeptState';
import { useKeptText } from '../../lib/useKeptText';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { JobState } from '../../ui/JobState';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { authoringApi } from './authoringApi';
import { MendCell } from './MendCell';
import type { Writing } from './writing';
import type { PartProps } from './WritingScreen';

const SHOWN = 10;

const sayLeft = (n: number) => (n === 1 ? 'One cell was not taken' : `${n} cells were not taken`);

const WAYS: { id: string; label: string; ending: string; write: (matrix: Matrix, title: string) => string | Promise<Blob> }[] = [
  { id: 'wide', label: 'Table (CSV)', ending: 'csv', write: writeCsv },
  {
    id: 'xlsx',
    label: 'Workbook (XLSX)',
    ending: 'xlsx',
    write: async (matrix) => (await import('./spreadsheet')).writeWorkbook(tableOf(matrix)),
  },
  { id: 'long', label: 'A line for each cell (CSV)', ending: 'long.csv', write: writeLongCsv },
  { id: 'nexus', label: 'NEXUS', ending: 'nex', write: (matrix) => writeNexus(matrix).text },
  { id: 'sdd', label: 'SDD (XML)', ending: 'sdd.xml', write: (matrix, title) => writeSddMatrix(title, matrix).text },
];

/** Letters of a matrix that are imported while one looks on; more is long work. */
const AT_ONCE = 200_000;

/** From so many cells on, what is lost is not worked out while one looks on. */
const MANY = 20_000;

/** What the formats that hold less than a guide leave behind. */
function lostIn(working: Working, source: string): Record<string, string[]> {
  if (working.draft.taxa.length * working.draft.characters.length > MANY) return {};
  const matrix = matrixOf(draftOf(working), source);
  return { NEXUS: writeNexus(matrix).lost, SDD: writeSddMatrix('', matrix).lost };
}

interface Props extends PartProps {
  flush: Writing['flush'];
  takenIn: Writing['takenIn'];
}

const parseTaken = (result: unknown) => MatrixTaken.parse(result);

/** What is being taken in, so that whoever comes back hears of it. */
const Begun = z.object({ job: z.string().optional(), source: z.string().optional() });

/** What was taken in, and as whose. */
type Told = Omit<MatrixTaken, 'version'> & { source: string };

/** Matrices in and out: a table of a spreadsheet, a line for each cell, NEXUS. */
export function MatrixPart({ id, draft, scores, edit, flush, takenIn }: Props) {
  const [source, setSource] = useState(draft.sources[0]?.id ?? '');
  const [text, setText] = useKeptText(`table.${id}`);
  const [problem, setProblem] = useState<string>();
  const [told, setTold] = useState<Told>();
  /** Is what was taken in on its way here? */
  const [comes, setComes] = useState(false);
  const whole = () => draftOf({ draft, scores });
  const [begun, keep, forget] = useKeptState(`matrix.${id}`, Begun, {});
  const job = useJob(
    async (given: string) => {
      await flush();
      const started = await authoringApi('takeMatrix', { params: { id }, body: { batch: mintId(), source, text: given } });
      if ('jobId' in started) keep({ job: started.jobId, source });
      return started;
    },
    parseTaken,
    'drafts',
    begun.job,
  );
  const over = Boolean(job.result ?? job.problem ?? job.error) || job.cancelled;
  useEffect(() => {
    if (over) forget();
  }, [over, forget]);
  const takeFile = async (file: File) => {
    // A workbook is a zip archive.
    if ((await file.slice(0, 2).text()) !== 'PK') return take(await file.text());
    const { readWorkbook } = await import('./spreadsheet');
    const lines = await readWorkbook(file);
    if (typeof lines === 'string') setProblem(lines);
    else take(csvOf(lines));
  };
  const take = (given: string) => {
    setTold(undefined);
    setProblem(undefined);
    if (given.length > AT_ONCE) return job.begin(given);
    const read = readMatrix(given);
    if (!read.ok) return setProblem(read.problems[0].message);
    const changes = matrixChanges(read.value, draft, source);
    const edits = editsOf(changes);
    if (edits.length && !edit(...edits)) return;
    setText('');
    const { taxa, characters } = read.value;
    const { problems } = changes;
    setTold({ source, taxa: taxa.length, characters: characters.length, problems, left: problems.length, back: [] });
  };
  const took = useEffectEvent(() => {
    setText('');
    if (job.result) setTold({ ...job.result, source: begun.source ?? source });
    setComes(true);
    void takenIn(job.result?.back).finally(() => setComes(false));
  });
  const version = job.result?.version;
  useEffect(() => {
    if (version !== undefined) took();
  }, [version]);
  const lost = useMemo(() => lostIn({ draft, scores }, source), [draft, scores, source]);
  return (
    <>
      {draft.sources.length > 1 && (
        <ChoiceGroup
          label="As it is said by"
          options={draft.sources.map(({ id, label }) => ({ id, label }))}
          chosen={[source]}
          onChange={([next]) => setSource(next)}
        />
      )}
      <Card title="In">
        <Text quiet>
          A table with the taxa in its first column and the characters in its first line; lines of taxon, character and value; a
          workbook; NEXUS; or SDD. What the draft has not yet is put in, what it has is written over.
        </Text>
        <TextField label="Paste it here" value={text} onChangeText={setText} multiline paste={160} problem={problem} />
        <Row>
          <Button label="Import it" disabled={!text.trim() || job.running} busy={job.running} onPress={() => take(text)} />
          <Button
            label="Choose a file"
            disabled={job.running}
            onPress={() => void pickFile('.csv,.tsv,.txt,.nex,.nexus,.xml,.xlsx,text/*').then((file) => file && takeFile(file))}
          />
        </Row>
        <JobState job={job} what="Importing it" refused="It was not imported" stopped="Stopped; nothing was imported." />
        {told && (
          <Notice kind={told.left ? 'problem' : 'note'} title={told.left ? sayLeft(told.left) : 'Imported'}>
            <Text>
              {`Read: ${told.taxa} taxa, ${told.characters} characters. ${comes ? 'It is being fetched …' : told.back ? 'One step back undoes all of it.' : 'It is too much to be taken back by a step.'}`}
            </Text>
            {told.problems.slice(0, SHOWN).map((one) => (
              <MendCell key={`${one.taxon} ${one.character}`} of={one} {...{ draft, scores, edit, source: told.source }} />
            ))}
            {told.left > told.problems.slice(0, SHOWN).length && (
              <Text size="small">{`and ${told.left - Math.min(told.problems.length, SHOWN)} more`}</Text>
            )}
          </Notice>
        )}
      </Card>
      <Card title="Out">
        <Text quiet>What whole taxa have, by the source. What is said of one sex, region or season only stays behind.</Text>
        {Object.entries(lost).map(
          ([format, left]) =>
            left.length > 0 && (
              <Text key={format} size="small" quiet>
                {`What ${format} cannot hold: ${left.join(' ')}`}
              </Text>
            ),
        )}
        <Row>
          {WAYS.map(({ id, label, ending, write }) => (
            <Button
              key={id}
              small
              label={label}
              hint={`Save as ${label}`}
              onPress={() =>
                void Promise.resolve(write(matrixOf(whole(), source), draft.title)).then((content) =>
                  saveFile(`${draft.title || 'guide'}.${ending}`, content, 'application/octet-stream'),
                )
              }
            />
          ))}
        </Row>
      </Card>
    </>
  );
}
