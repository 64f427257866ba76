import { compileGuide } from '@plesion/core/guide';
import { calledOver } from '@plesion/core/test';
import { demoGuides } from '@plesion/demo';

const SPECIMENS = 10_000;

/** Of what is said at 88 to 92 in 100, how many are right; and how often what passes the posterior is wrong, also when states are misread twice as often. */
export function reportCalibration(print: (line?: string) => void): void {
  print();
  print(`Stated and true, over ${SPECIMENS.toLocaleString('en')} specimens of each demo guide.`);
  for (const guide of demoGuides) {
    const compiled = compileGuide(guide);
    const cells = [1, 2].map((misreading) => {
      const { about, named } = calledOver(compiled, SPECIMENS, 'bench', misreading);
      const share = about.right / about.n;
      const error = Math.sqrt((share * (1 - share)) / about.n);
      return `right ${(100 * share).toFixed(1)} ± ${(100 * error).toFixed(1)} of ${about.n}, past the posterior wrong ${((100 * named.wrong) / named.n).toFixed(2)} in 100 of ${named.n}`;
    });
    print(`  ${guide.id.padEnd(16)} ${cells[0]}; misread twice as often: ${cells[1]}`);
  }
}
