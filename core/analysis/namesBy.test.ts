import { demoGuides, ledgeCrabs, selwithKey, strandBeetles } from '../../demo';
import { callOf, posteriorOf } from '../evidence';
import { compiledFor, formsOf, type Guide, isStates } from '../guide';
import type { CoupletAnswer } from '../keys';
import type { Reading } from '../observation';
import { namesBy } from './namesBy';

/** All that the guide says of a form, as readings. */
const readAll = (guide: Guide, taxon: string): Reading[] =>
  guide.characters.flatMap((character): Reading[] => {
    const score = guide.scores.find((one) => one.character === character.id && one.scope.taxon === taxon);
    if (!isStates(character) || score?.value.kind !== 'states') return [];
    const [state] = Object.keys(score.value.states);
    return [{ character: character.id, states: [state] }];
  });
const taxa = [...new Set(formsOf(ledgeCrabs).map(({ taxon }) => taxon))];
const records = taxa.map((taxon) => ({ situation: {}, readings: readAll(ledgeCrabs, taxon) }));

it('calls each record as its Bench would', () => {
  const names = namesBy(ledgeCrabs, records);
  expect(names).toHaveLength(taxa.length);
  records.forEach(({ situation, readings }, i) => {
    const compiled = compiledFor(ledgeCrabs, situation);
    const call = callOf(compiled, posteriorOf(compiled, situation, readings));
    expect(names[i].left).toEqual([]);
    expect(names[i].p).toBe(call.kind === 'undetermined' ? undefined : call.p);
    if (call.kind === 'taxon') expect(names[i].name).toContain(ledgeCrabs.taxa.find(({ id }) => id === call.taxon)!.name);
  });
  expect(new Set(names.map(({ name }) => name)).size).toBeGreaterThan(1);
});

it('a version that knows a character or a place no more leaves out what was read of it, and says so', () => {
  const [lost] = records[0].readings;
  const guide: Guide = {
    ...ledgeCrabs,
    characters: ledgeCrabs.characters.filter(({ id }) => id !== lost.character),
    scores: ledgeCrabs.scores.filter(({ character }) => character !== lost.character),
  };
  const [named] = namesBy(guide, [{ situation: { region: 'nowhere', views: ['gone'] }, readings: records[0].readings }]);
  const [without] = namesBy(guide, [{ situation: {}, readings: records[0].readings.slice(1) }]);
  expect(named).toEqual({ ...without, left: [lost.character] });
});

it('a name that is written otherwise is another name, and nothing read is no name', () => {
  const renamed: Guide = { ...ledgeCrabs, taxa: ledgeCrabs.taxa.map((one) => ({ ...one, name: `${one.name} s.l.` })) };
  const [then, now] = [ledgeCrabs, renamed].map((guide) => namesBy(guide, records));
  const named = then.flatMap(({ name }, i) => (name === 'Not yet named' ? [] : [i]));
  for (const i of named) expect(now[i].name).not.toBe(then[i].name);
  for (const guide of demoGuides) expect(namesBy(guide, [{ situation: {}, readings: [] }])[0].left).toEqual([]);
});

it('where the guide’s school is the key, a whole way through it names, and half of it does not', () => {
  const { settings } = strandBeetles;
  const byKey: Guide = { ...strandBeetles, settings: { ...settings, call: { ...settings.call, school: 'key' } } };
  const n = selwithKey.couplets[0].leads[0].statements.find(({ link }) => link)!.n;
  const answers = [
    { couplet: 'c1', lead: 'a', statements: [{ n, answer: 'fits' as const }] },
    { couplet: 'c2', lead: 'b' },
  ];
  const by = (walked: CoupletAnswer[], guide = byKey) =>
    namesBy(guide, [{ situation: {}, readings: [], walk: { key: selwithKey, answers: walked } }])[0];
  const { name } = strandBeetles.taxa.find(({ id }) => id === 'nudalis')!;
  expect(by(answers).name).toContain(name);
  expect(by(answers.slice(0, 1)).name).toBe('Not yet named');
  // Where all characters are weighed, the walk is no reading.
  expect(by(answers, strandBeetles)).toEqual(namesBy(strandBeetles, [{ situation: {}, readings: [] }])[0]);
});
