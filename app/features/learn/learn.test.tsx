import { learn, readTable } from '@plesion/core/learn';
import { lengths, toCsv } from '@plesion/core/test';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import { ColumnRoles } from './ColumnRoles';
import { LearnedReport } from './LearnedSheet';
import { LearnScreen } from './LearnScreen';
import { TablePreview } from './TablePreview';

const mockApi = jest.fn();
const mockReplace = jest.fn();
jest.mock('../../lib/api', () => ({ api: (...given: unknown[]) => mockApi(...given) }));
jest.mock('expo-router', () => ({ useRouter: () => ({ replace: mockReplace }) }));
jest.mock('../../ui/lazyCalibrationChart', () => ({ CalibrationChart: () => null }));

const csv = toCsv(lengths({ forms: 2, columns: 3, each: 15, apart: 0.1 }));
const outcome = learn({ id: 'x', title: 'X', csv, labels: { taxon: 'kind' } });
if (!outcome.ok) throw new Error('learned');
const learned = outcome.value.guide.learned!;
const ID = '0192f3a0-0000-7001-8000-000000000001';
const result = {
  guideId: ID,
  forms: [],
  characters: [],
  crossValidation: learned.crossValidation,
  ratios: learned.ratios,
  choice: learned.choice,
  problems: [{ line: 4, code: 'not-a-number', message: 'Line 4: “x” in “y” is not a number.' }],
  leftOut: [{ name: 'note', why: 'it is empty' }],
};

const show = () => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <LearnScreen />
    </QueryClientProvider>,
  );
};
const fill = () => {
  fireEvent.changeText(screen.getByLabelText('Title of the guide'), 'Twins');
  fireEvent.changeText(screen.getByLabelText('or paste it'), csv);
};
const begin = () => act(async () => fireEvent.press(screen.getByLabelText('Learn it')));

beforeEach(() => mockApi.mockReset());

describe('learning from a table', () => {
  it('cannot begin before there is a table and a title', () => {
    show();
    expect(screen.getByText('Choose or paste a table first.')).toBeTruthy();
    expect(screen.getByLabelText('Learn it')).toBeDisabled();
    fireEvent.changeText(screen.getByLabelText('or paste it'), csv);
    expect(screen.getByText('Give the guide a title.')).toBeTruthy();
  });

  it('guesses the roles of columns, previews what it understood, and sends both', async () => {
    mockApi.mockReturnValue(new Promise(() => {}));
    show();
    fill();
    expect(screen.getByText('30 specimens, 2 kinds')).toBeTruthy();
    await begin();
    expect(mockApi).toHaveBeenCalledWith('learn', {
      body: { title: 'Twins', csv, labels: { taxon: 'kind' }, ignore: [], kinds: {} },
    });
  });

  it('takes landmarks as TPS text, and says which line cannot be read', async () => {
    mockApi.mockReturnValue(new Promise(() => {}));
    show();
    const specimen = (kind: string, n: number, width: number) => `LM=3\n0 0\n${width} 0\n0 ${20 + (n % 3)}\nID=${kind} ${n}`;
    const text = Array.from({ length: 12 }, (_, n) =>
      n % 2 ? specimen('slender', n, 8 + (n % 5) / 10) : specimen('broad', n, 20 + (n % 5) / 10),
    ).join('\n');
    fireEvent.changeText(screen.getByLabelText('or paste it'), text.replace('0 21', '0 x'));
    await waitFor(() => expect(screen.getByText(/^Line \d+: a point should be here/)).toBeTruthy());
    fireEvent.changeText(screen.getByLabelText('Title of the guide'), 'From landmarks');
    fireEvent.changeText(screen.getByLabelText('or paste it'), text);
    await waitFor(() => expect(screen.getByText('12 specimens, 2 kinds')).toBeTruthy());
    expect(screen.queryByText(/^Line \d+/)).toBeNull();
    await begin();
    expect(mockApi).toHaveBeenCalledWith('learn', {
      body: expect.objectContaining({ labels: { taxon: 'kind' }, ignore: ['id'], csv: expect.stringMatching(/^id,kind,1–2/) }),
    });
  });

  it('takes what was measured at the station, a character at a time', async () => {
    const measured = ['a', 'b', 'b'].map((specimenId) => ({ character: 'width-ratio', specimenId }));
    mockApi.mockResolvedValue({ measurements: measured });
    const fetched = jest.fn(async () => ({ ok: true, text: async () => csv }));
    globalThis.fetch = fetched as unknown as typeof fetch;
    show();
    fireEvent.press(screen.getByLabelText('From what was measured here'));
    await waitFor(() => screen.getByLabelText('width ratio: 2 specimens'));
    await act(async () => fireEvent.press(screen.getByLabelText('width ratio: 2 specimens')));
    expect(fetched).toHaveBeenCalledWith('/api/export/landmarks?as=table&character=width-ratio');
    await waitFor(() => expect(screen.getByText('30 specimens, 2 kinds')).toBeTruthy());
  });

  it('tells how far it is, and can be stopped', async () => {
    mockApi.mockImplementation((name: string) =>
      Promise.resolve(
        name === 'learn' ? { jobId: ID } : { jobId: ID, state: name === 'cancelJob' ? 'cancelled' : 'running', progress: 0.4 },
      ),
    );
    show();
    fill();
    await begin();
    await waitFor(() => expect(screen.getByText('Learning, 40 in 100 done')).toBeTruthy());
    await act(async () => fireEvent.press(screen.getByLabelText('Stop')));
    await waitFor(() => expect(screen.getByText(/^Stopped\. Nothing was saved/)).toBeTruthy());
    expect(screen.getByLabelText('or paste it').props.value).toBe(csv);
  });

  it('shows what was learned and leads to the guide', async () => {
    mockApi.mockImplementation((name: string) =>
      Promise.resolve(name === 'learn' ? { jobId: ID } : { jobId: ID, state: 'done', progress: 1, result }),
    );
    show();
    fill();
    await begin();
    await waitFor(() => expect(screen.getByText('Learned')).toBeTruthy());
    expect(screen.getByText('Line 4: “x” in “y” is not a number.')).toBeTruthy();
    expect(screen.getByText('Column “note”: it is empty.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Open the guide'));
    expect(mockReplace).toHaveBeenCalledWith(`/guides/${ID}`);
  });

  it('says why it could not be learned from, with the field', async () => {
    mockApi.mockImplementation((name: string) =>
      Promise.resolve(
        name === 'learn'
          ? { jobId: ID }
          : {
              jobId: ID,
              state: 'failed',
              progress: 0,
              problem: { code: 'one-form', message: 'There must be two.', field: 'labels' },
            },
      ),
    );
    show();
    fill();
    await begin();
    await waitFor(() => expect(screen.getByText('There must be two. (labels)')).toBeTruthy());
  });

  it('names what keeps it from being a table', () => {
    show();
    fireEvent.changeText(screen.getByLabelText('or paste it'), 'a,b\n1,2');
    expect(screen.getByText('Say which column names the taxon, sex, stage or morph.')).toBeTruthy();
  });
});

describe('the roles of columns', () => {
  it('move a label from one column to another', () => {
    const onChange = jest.fn();
    render(
      <ColumnRoles
        roles={[
          { name: 'a', role: 'taxon' },
          { name: 'b', role: 'character' },
        ]}
        columns={[]}
        onChange={onChange}
      />,
    );
    fireEvent.press(screen.getAllByLabelText('taxon')[1]);
    expect(onChange).toHaveBeenCalledWith([
      { name: 'a', role: 'character' },
      { name: 'b', role: 'taxon' },
    ]);
  });

  it('say what a column holds, how much is missing, and why it is left out', () => {
    const columns = [
      { name: 'a', kind: 'measurement' as const, missing: 3 },
      { name: 'b', kind: 'nominal' as const, missing: 0, leftOut: 'it is empty' },
    ];
    render(
      <ColumnRoles roles={columns.map(({ name }) => ({ name, role: 'character' }))} columns={columns} onChange={jest.fn()} />,
    );
    expect(screen.getByText('measured, 3 missing')).toBeTruthy();
    expect(screen.getByText('left out: it is empty')).toBeTruthy();
  });
});

describe('the preview', () => {
  it('shows rows, missing cells, and failing rows by line', () => {
    const table = readTable(
      ['kind,length', 'a,about', ...Array.from({ length: 20 }, (_, i) => `a,${i === 3 ? '' : i + 0.5}`)].join('\n'),
      { taxon: 'kind' },
    );
    if (!table.ok) throw new Error('table');
    render(<TablePreview table={table.value} partly={false} />);
    expect(screen.getByText('One row is left out')).toBeTruthy();
    expect(screen.getByText('Line 2: “about” in “length” is not a number.')).toBeTruthy();
    expect(screen.getByText('–')).toBeTruthy();
  });
});

describe('the report of a learned guide', () => {
  it('tells accuracy, log loss, the confusion and the ratios', () => {
    render(<LearnedReport {...learned} />);
    expect(screen.getByText(`${(learned.crossValidation.accuracy * 100).toFixed(1)} in 100`)).toBeTruthy();
    expect(screen.getByText(`${learned.crossValidation.logLoss.toFixed(3)} nats`)).toBeTruthy();
    expect(screen.getByLabelText('What each kind was called')).toBeTruthy();
    expect(screen.getByText(learned.ratios[0].text)).toBeTruthy();
  });
});
