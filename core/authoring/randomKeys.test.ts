import { compileGuide, readGuide } from '../guide';
import { endpointId, endpointsOf, readKeyText } from '../keys';
import { seeded } from '../probability';
import { answersOf, leaderOf } from '../test/keyAnswers';
import { guideFromKeys } from '.';
import { KeyGuideChoices } from './schema';

const PARTS = (
  'Head|Upper side|Hind wing|Larger claw|Smaller claw|Tail|Margin of leaf|Back|Third segment|Eye|Ring about the eye|Petals|' +
  'Lower lip|Body|Legs|Antennae|Stem|Cap|Fruit|Spire'
).split('|');
/** What is said against what: denials, small words, numbers, lists. */
const OPPOSED = `black / not black
longer than the body / shorter than the body
with spots / without spots
present / absent
with 3 rings / with 4 rings
4–5 mm long / 6–7 mm long
more than twice as long as wide / less than twice as long as wide
red or brown / neither red nor brown
usually forked / rarely forked
in front of the eye / behind the eye
white above, black below / black above, white below
up to 5 mm / over 5 mm
pointed / blunt, or pointed in old ones
entirely dark / dark only at the base
never spotted / always spotted
with one or two teeth / with three teeth
with at least 5 spines / with at most 4 spines
isn't round / round
thicker than the wall / thinner than the wall
few / many`
  .split('\n')
  .map((line) => line.split(' / ') as [string, string]);

/** A key of some couplets, each of which lets one taxon go. */
function drawnKey(random: () => number): string {
  const any = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
  const couplets = 2 + Math.floor(random() * 4);
  return Array.from({ length: couplets }, (_, c) => {
    const parts = [any(PARTS), any(PARTS)].filter((part, i, all) => all.indexOf(part) === i);
    const said = parts.map((part) => {
      const pair = any(OPPOSED);
      const turn = random() < 0.5;
      return [0, 1].map((side) => `${part} ${pair[turn ? 1 - side : side]}`);
    });
    const lead = (side: number) => said.map((one) => one[side]).join('; ');
    const last = c === couplets - 1;
    return `${c + 1}. ${lead(0)} ..... Velda s${c}\n- ${lead(1)} ..... ${last ? 'Velda last' : c + 2}`;
  }).join('\n');
}

it('what leads of drawn keys say leads to their endings, however it is said', () => {
  const random = seeded('keys that nobody wrote');
  const missed: string[] = [];
  let endings = 0;
  for (let k = 0; k < 60; k++) {
    const text = drawnKey(random);
    const { key } = readKeyText(text, 'Drawn');
    const made = key && guideFromKeys('drawn', [key], KeyGuideChoices.parse({}));
    const read = made?.ok ? readGuide(made.value.guide) : undefined;
    if (!made?.ok || !read?.ok) throw new Error(text);
    // Where one part is said to be two things, the key contradicts itself, and says so.
    if (made.value.notes.length > 0) continue;
    const own = compileGuide(read.value);
    const [tied] = made.value.keys;
    for (const ending of endpointsOf(tied)) {
      if (ending.kind !== 'taxon') continue;
      endings++;
      const leader = leaderOf(own, answersOf(tied, endpointId(ending)!));
      if (read.value.taxa.find(({ id }) => id === leader)?.name !== ending.name) missed.push(`${ending.name} of\n${text}`);
    }
  }
  expect(endings).toBeGreaterThan(200);
  expect(missed).toEqual([]);
});
