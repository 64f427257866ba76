import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Page } from 'playwright-core';

const axe = readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe finds wrong, a line each. A drawing is one picture to it: what lies inside says nothing to a reader of screens. */
export async function faultsOf(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  const { violations } = await page.evaluate<AxeResults>('axe.run({ exclude: [["svg > *"]] }, { resultTypes: ["violations"] })');
  return violations.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`));
}
