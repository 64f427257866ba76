import { seeded } from '@plesion/core/chance';
import { groupByRank, groupMasses, ranked, standing } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { drawnSpecimen } from '@plesion/core/test';
import { demoGuides } from '@plesion/demo';

const SPECIMENS = 10_000;

/** Of what is said at 88 to 92 in 100, how many are right; and how often what passes the posterior is wrong, also when states are misread twice as often. */
export function reportCalibration(print: (line?: string) => void): void {
  print();
  print(`Stated and true, over ${SPECIMENS.toLocaleString('en')} specimens of each demo guide.`);
  for (const guide of demoGuides) {
    const compiled = compileGuide(guide);
    const species = groupByRank(compiled, 'species');
    const cells = [1, 2].map((misreading) => {
      const chance = seeded(`bench ${guide.id} ${misreading}`);
      const about = { n: 0, right: 0 };
      const named = { n: 0, wrong: 0 };
      for (let i = 0; i < SPECIMENS; i++) {
        const { form, readings } = drawnSpecimen(compiled, chance, { share: 0.25, onePerGroup: true, misreading });
        const masses = groupMasses(species, standing(compiled, {}, readings).p);
        const [lead] = ranked(masses);
        const right = species.of[form] === lead;
        if (masses[lead] >= guide.settings.call.posterior) {
          named.n++;
          if (!right) named.wrong++;
        }
        if (masses[lead] < 0.88 || masses[lead] > 0.92) continue;
        about.n++;
        if (right) about.right++;
      }
      const share = about.right / about.n;
      const error = Math.sqrt((share * (1 - share)) / about.n);
      return `right ${(100 * share).toFixed(1)} ± ${(100 * error).toFixed(1)} of ${about.n}, past the posterior wrong ${((100 * named.wrong) / named.n).toFixed(2)} in 100 of ${named.n}`;
    });
    print(`  ${guide.id.padEnd(16)} ${cells[0]}; misread twice as often: ${cells[1]}`);
  }
}
