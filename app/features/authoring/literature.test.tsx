import { RequestProblem } from '@plesion/contract';
import { applyEdits, type Edit, sourceOf, workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { screen } from '@testing-library/react-native';
import { useState } from 'react';
import { press, shown, showScreen, type } from '../../test/showScreen';
import { Literature } from './Literature';

const mockRead = jest.fn();
const mockDownload = jest.fn();
jest.mock('./authoringApi', () => ({ authoringApi: (name: string, asked: object) => mockRead(name, asked) }));
jest.mock('../../lib/download', () => ({ download: (url: string) => mockDownload(url) }));

const SOURCES = ['Ledges', 'Ledges', 'Pools'].map((title) =>
  sourceOf({ type: 'book', title, author: [{ family: 'Vask' }], issued: { raw: '1984' } }),
);
let working: ReturnType<typeof workingOf>;
let changes: Edit[][];

function Sources() {
  const [, setTurn] = useState(0);
  const edit = (...edits: Edit[]) => {
    changes.push(edits);
    const outcome = applyEdits(working, edits);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return <Literature id="d" sources={working.draft.sources} edit={edit} />;
}

beforeEach(async () => {
  changes = [];
  working = workingOf(ledgeCrabs);
  mockRead.mockReset().mockResolvedValue({ sources: SOURCES });
  await showScreen(<Sources />);
});

it('is imported as sources in one change, each once; what is there already is passed over', async () => {
  const had = working.draft.sources.length;
  await type('BibTeX or CSL-JSON', '@book{…}');
  await press('Import them');
  await shown('2 imported; 1 were here already.');
  expect(mockRead).toHaveBeenCalledWith('readCitations', { body: { text: '@book{…}' } });
  const put = working.draft.sources.slice(had);
  expect(put.map(({ label, citation }) => [label, citation])).toEqual([
    ['Vask 1984', 'Vask, 1984. Ledges.'],
    ['Vask 1984', 'Vask, 1984. Pools.'],
  ]);
  expect(new Set(working.draft.sources.map(({ id }) => id)).size).toBe(had + 2);
  expect(changes).toHaveLength(1);
  await type('BibTeX or CSL-JSON', '@book{…}');
  await press('Import them');
  await shown('0 imported; 3 were here already.');
  expect(changes).toHaveLength(1);
});

it('what is none stays where it was pasted, with what is wrong', async () => {
  mockRead.mockRejectedValue(
    new RequestProblem(400, {
      code: 'not-bibtex',
      message: 'This is not BibTeX as it should be: look at line 3.',
      field: 'text',
    }),
  );
  await type('BibTeX or CSL-JSON', '@book{');
  await press('Import them');
  await shown(/look at line 3/);
  expect(screen.getByLabelText('BibTeX or CSL-JSON').props.value).toBe('@book{');
  expect(changes).toEqual([]);
});

it('goes out as a file of either kind', async () => {
  await press('As BibTeX: all sources of this draft, as a file');
  await press('As CSL-JSON: all sources of this draft, as a file');
  expect(mockDownload.mock.calls).toEqual([['/api/drafts/d/citations?as=bibtex'], ['/api/drafts/d/citations?as=csl']]);
});
