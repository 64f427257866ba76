import type { BookFormat, BookImported } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { pickFile } from '../../lib/files';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { DownloadButton } from '../../ui/DownloadButton';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { bookUrl, colonyApi } from './colonyApi';
import { useColonyWrite } from './useColonyWrite';
import { shownBy } from './words';

/** Named of those that a file brings, and of what is wrong with it. */
const NAMED = 12;

const FORMATS = [
  { id: 'csv', label: 'CSV of everybody' },
  { id: 'pairings', label: 'CSV of pairings and clutches' },
  { id: 'linkage', label: 'pedigree file, six columns' },
] as const satisfies readonly { id: BookFormat; label: string }[];

type Chosen = Pick<File, 'name' | 'size' | 'text'>;

/** The book as a file, and a file into the book. */
export function FilesCard({ guide, guideId }: { guide: Guide; guideId: string }) {
  const [as, setAs] = useState<BookFormat>('csv');
  const characters = shownBy(guide);
  const [character, setCharacter] = useState(characters.at(0)?.id);
  const [read, setRead] = useState<{ file: Chosen; found: BookImported }>();
  const { write, busy, problem } = useColonyWrite(guideId, async ({ file, take }: { file: Chosen; take: boolean }) => {
    if (file.size > 1_000_000) throw new Error('The file is larger than a megabyte; a book is not. Is it the right one?');
    const text = await file.text();
    const body = { as, text, take, ...(as === 'linkage' && character ? { character } : {}) };
    const found = await colonyApi('importBook', { params: { id: guideId }, body });
    // What was looked at is what is taken, whatever becomes of the file meanwhile.
    setRead({ file: { ...{ name: file.name, size: file.size }, text: () => Promise.resolve(text) }, found });
    return 'saved';
  });
  const choose = async () => {
    const file = await pickFile(as === 'linkage' ? '.ped,.pre,.txt,text/plain' : '.csv,text/csv');
    if (file) write({ file, take: false });
  };
  return (
    <Disclosure title="Files of the book">
      <ChoiceGroup
        label="As"
        options={FORMATS}
        chosen={[as]}
        onChange={([next]) => {
          setAs(next);
          setRead(undefined);
        }}
      />
      {as === 'linkage' && characters.length > 1 && (
        <ChoiceGroup
          label="Its phenotype"
          options={characters}
          chosen={character ? [character] : []}
          onChange={([next]) => setCharacter(next)}
        />
      )}
      {as === 'pairings' && (
        <Text size="small" quiet>
          A line for each clutch, whose parents are in the book already: bring everybody first.
        </Text>
      )}
      {as === 'linkage' && (
        <Text size="small" quiet>
          Family, individual, father, mother, sex (1 male, 2 female) and phenotype by its number. Parents in doubt and what is not
          certain have no place in it.
        </Text>
      )}
      <Row>
        <DownloadButton
          label="Export the book"
          hint="Export the book as a file"
          url={() => bookUrl(guideId, { as, ...(as === 'linkage' && character ? { character } : {}) })}
        />
        <Button label="Import a file" busy={busy} onPress={() => void choose()} />
      </Row>
      {problem && <Notice kind="problem">{problem}</Notice>}
      {read && (
        <Found name={read.file.name} found={read.found} busy={busy} onTake={() => write({ file: read.file, take: true })} />
      )}
    </Disclosure>
  );
}

function Found({ name, found, busy, onTake }: { name: string; found: BookImported; busy: boolean; onTake: () => void }) {
  const { added, same, otherwise, problems, taken } = found;
  const list = (names: readonly string[]) =>
    `${names.slice(0, NAMED).join(', ')}${names.length > NAMED ? ` and ${names.length - NAMED} more` : ''}`;
  if (taken) return <Notice kind="note">{`${name}: ${added.length} written into the book.`}</Notice>;
  return (
    <Stack>
      {problems.length > 0 && (
        <Notice kind="problem">
          {[
            `${name}: nothing was written.`,
            ...problems
              .slice(0, NAMED)
              .map(({ line, column, message }) => `Line ${line}${column ? `, ${column}` : ''}: ${message}`),
            ...(problems.length > NAMED ? [`and ${problems.length - NAMED} more`] : []),
          ].join('\n')}
        </Notice>
      )}
      {added.length > 0 && <Text>{`New: ${list(added)}`}</Text>}
      {same.length > 0 && <Text quiet>{`In the book already, the same: ${same.length}`}</Text>}
      {otherwise.length > 0 && <Text>{`In the book otherwise, and left as they stand there: ${list(otherwise)}`}</Text>}
      {added.length === 0 && problems.length === 0 && <Text>{`${name} brings nothing new.`}</Text>}
      {added.length > 0 && problems.length === 0 && (
        <Row>
          <Button
            kind="main"
            label={`Write ${added.length === 1 ? 'one' : `all ${added.length}`} down`}
            busy={busy}
            onPress={onTake}
          />
        </Row>
      )}
    </Stack>
  );
}
