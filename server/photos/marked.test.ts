import { randomUUID } from 'node:crypto';
import { ledgeCrabs } from '@plesion/demo';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const photo = async (colour: string) => {
  const file = await sharp({ create: { width: 400, height: 200, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();
  return (await visitor.post('/api/photos').attach('photo', file, 'x.jpg').expect(201)).body.hash as string;
};

describe('a photo with its marks', () => {
  it('shows what was pointed at and measured on it, and nothing of other photos', async () => {
    const [top, other] = [await photo('#456'), await photo('#654')];
    const id = randomUUID();
    await visitor
      .put(`/api/specimens/${id}`)
      .send(
        write(guideId, {
          photo: top,
          media: [top, other].map((hash) => ({ id: randomUUID(), kind: 'photo', hash, credit: 'A. Orvane' })),
          readings: [
            { character: 'front-edge', states: ['three-teeth'], at: { x: 0.5, y: 0.5 } },
            { character: 'width-ratio', value: 1.3, at: { x: 0.1, y: 0.2, photo: other } },
          ],
        }),
      )
      .expect(200);
    const { protocol } = ledgeCrabs.characters.find(({ id: one }) => one === 'width-ratio')!;
    const [a, b, c, d] = protocol!.landmarks.map(({ id: one }) => one);
    await visitor
      .put(`/api/measurements/${randomUUID()}`)
      .send({
        version: 0,
        specimenId: id,
        photo: top,
        size: { width: 400, height: 200 },
        character: 'width-ratio',
        protocol,
        sets: [{ [a]: [100, 100], [b]: [230, 100], [c]: [160, 50], [d]: [160, 150] }],
        hidden: false,
      })
      .expect(200);
    const svg = async (hash: string) => {
      const answer = await visitor.get(`/api/specimens/${id}/photos/${hash}.svg`).expect(200).expect('content-type', /svg/);
      return (answer.body as Buffer).toString();
    };
    const own = await svg(top);
    expect(own).toContain('Front edge');
    expect(own).toContain('d="M100 100L230 100"');
    expect(own).toMatch(/Carapace width ÷ length: 1\.3/);
    expect(own).toContain('Photo: A. Orvane');
    expect(own).toContain('data:image/jpeg;base64,');
    const second = await svg(other);
    expect(second).not.toContain('Front edge');
    expect(second).not.toContain('<path');
    expect(second).toMatch(/1 {2}Carapace width/);
    const foreign = await newStation(server);
    await foreign.visitor.get(`/api/specimens/${id}/photos/${top}.svg`).expect(404);
    await visitor.get(`/api/specimens/${id}/photos/${'0'.repeat(64)}.svg`).expect(404);
  });
});
