import { RequestProblem } from '@plesion/contract';
import { stopUpload, uploadPhoto, uploads } from './uploads';

const mockApi = jest.fn();
jest.mock('./api', () => ({ api: (...given: unknown[]) => mockApi(...given) }));

interface Options {
  endpoint: string;
  fingerprint: () => Promise<string>;
  onProgress: (sent: number, all: number) => void;
  onSuccess: () => void;
  onError: (error: Error) => void;
}
let mockBegun: { file: Blob; options: Options; resumed?: object; aborted?: boolean }[] = [];
let mockEarlier: object[] = [];
let mockGo: (options: Options) => void = () => undefined;
jest.mock('tus-js-client', () => ({
  Upload: class {
    own: (typeof mockBegun)[number];
    constructor(file: Blob, options: Options) {
      this.own = { file, options };
      mockBegun.push(this.own);
    }
    findPreviousUploads = async () => mockEarlier;
    resumeFromPreviousUpload = (earlier: object) => (this.own.resumed = earlier);
    start = () => mockGo(this.own.options);
    abort = async (whole: boolean) => (this.own.aborted = whole);
  },
}));

const HASH = 'a'.repeat(64);
const file = new Blob(['photo']);
beforeEach(() => {
  mockBegun = [];
  mockEarlier = [];
  mockApi.mockResolvedValue({ known: false });
});

describe('a photo on its way', () => {
  it('tells how far it is, and goes on with what an earlier try sent', async () => {
    mockEarlier = [{ uploadUrl: '/api/uploads/x' }];
    const told: (number | undefined)[] = [];
    mockGo = ({ onProgress, onSuccess }) => {
      onProgress(2, 4);
      told.push(uploads.get()[HASH]);
      onSuccess();
    };
    await uploadPhoto('station', HASH, file);
    expect(told).toEqual([0.5]);
    expect(uploads.get()).toEqual({});
    expect(mockBegun[0].resumed).toEqual({ uploadUrl: '/api/uploads/x' });
    expect(mockBegun[0].options.endpoint).toBe('/api/uploads');
    expect(await mockBegun[0].options.fingerprint()).toBe(`plesion station ${HASH}`);
  });

  it('is not sent where the station has it already', async () => {
    mockApi.mockResolvedValue({ known: true });
    await uploadPhoto('station', HASH, file);
    expect(mockBegun).toEqual([]);
  });

  it('is stopped at once, and what arrived is forgotten', async () => {
    let going = () => undefined as void;
    const begun = new Promise<void>((resolve) => (going = resolve));
    mockGo = () => going();
    const sending = uploadPhoto('station', HASH, file);
    await begun;
    stopUpload(HASH);
    await expect(sending).rejects.toMatchObject({ status: 0, body: { code: 'stopped' } });
    expect(mockBegun[0].aborted).toBe(true);
    expect(uploads.get()).toEqual({});
    stopUpload(HASH);
  });

  it('that fails says what the server said, or that it could not be reached', async () => {
    const answered = (status: number, body: string) => () =>
      Object.assign(new Error('x'), { originalResponse: { getStatus: () => status, getBody: () => body } });
    const cases: [() => Error, object][] = [
      [() => new Error('no connection'), { status: 0, body: { code: 'offline' } }],
      [
        answered(400, '{"code":"photo-unreadable","message":"No photo.","field":"photo"}'),
        { status: 400, body: { code: 'photo-unreadable', field: 'photo' } },
      ],
      [answered(502, '<html>'), { status: 502, body: { code: 'no-answer' } }],
    ];
    for (const [error, said] of cases) {
      mockGo = ({ onError }) => onError(error());
      const problem: unknown = await uploadPhoto('station', HASH, file).catch((thrown: unknown) => thrown);
      expect(problem).toBeInstanceOf(RequestProblem);
      expect(problem).toMatchObject(said);
    }
  });
});
