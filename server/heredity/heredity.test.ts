import type { PosteriorAnswer } from '@plesion/core/heredity/schema';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
});
afterAll(() => server.close());

const model = {
  system: 'ZW',
  loci: [
    {
      id: 'pale',
      inheritance: 'sex-linked',
      alleles: [
        { id: '+', frequency: 0.9 },
        { id: 'p', frequency: 0.1 },
      ],
      dominance: ['+', 'p'],
    },
  ],
};
const individuals = [
  { id: 'f', sex: 'male', phenotypes: { pale: 'p' } },
  { id: 'm', sex: 'female', phenotypes: { pale: '+' } },
  { id: 'y', sex: { called: 'male', certainty: 0.95 }, father: 'f', mother: 'm', phenotypes: { pale: 'p' } },
];
const post = (what: string, more: object, status = 200) =>
  visitor
    .post(`/api/heredity/${what}`)
    .send({ ...model, individuals, ...more })
    .expect(status);

it('tells what each carries, and of what sex a young must be', async () => {
  const { body } = await post('posterior', { ask: [[{ id: 'y', locus: 'pale' }]] });
  const found = body as PosteriorAnswer;
  expect(found.individuals.map(({ id }) => id)).toEqual(['f', 'm', 'y']);
  expect(found.individuals[2]).toMatchObject({ sexP: { female: 1, male: 0 }, genotypes: { pale: [{ genotype: 'p/W', p: 1 }] } });
  expect(found.together).toEqual([[{ genotypes: ['p/W'], p: 1 }]]);
  expect(found.logLikelihood).toBeLessThan(0);
});

it('names what must be wrong where the records cannot all be true', async () => {
  const { body } = await post('posterior', { individuals: [...individuals.slice(0, 2), { ...individuals[2], sex: 'male' }] });
  const found = body as PosteriorAnswer;
  expect(found.logLikelihood).toBeUndefined();
  expect(found.impossible![0]).toMatchObject({ records: [{ id: 'y', what: 'sex' }], why: 'sex of y is wrong' });
});

it('answers what two would have, what would prove it, whose an egg is, and who is kin', async () => {
  expect((await post('cross', { father: 'f', mother: 'm', clutch: 3 })).body).toMatchObject({
    young: [
      { sex: 'female', shows: { pale: 'p' }, p: 0.5, expected: 1.5, atLeastOne: 0.875 },
      { sex: 'male', shows: { pale: '+' }, p: 0.5 },
    ],
    inbreeding: 0,
  });
  const proof = { id: 'm', locus: 'pale', allele: 'p', shows: { character: 'pale', state: 'p' }, mates: ['f'] };
  expect((await post('proof', proof)).body).toMatchObject({ mates: [{ mate: 'f', carrier: 0, young: 0 }] });
  expect((await post('suspects', { group: [{ id: 'y' }, { id: 'm' }] })).body).toMatchObject({ separations: 1 });
  const { body } = await visitor
    .post('/api/heredity/kinship')
    .send({
      individuals: individuals.map(({ id, father, mother }: { id: string; father?: string; mother?: string }) => ({
        id,
        father,
        mother,
      })),
    })
    .expect(200);
  expect(body).toMatchObject({
    inbreeding: [{ f: 0 }, { f: 0 }, { f: 0 }],
    kinship: [
      { of: ['f', 'y'], phi: 0.25 },
      { of: ['m', 'y'], phi: 0.25 },
    ],
  });
});

it('refuses by individual and field', async () => {
  const { body } = await post('posterior', { individuals: [...individuals, { id: 'z', father: 'm' }] }, 400);
  expect(body).toMatchObject({ code: 'wrong-sex', field: 'individuals.z.father', message: expect.stringMatching(/is a female/) });
  expect((await post('posterior', { loci: [] }, 400)).body.field).toBe('loci');
});
