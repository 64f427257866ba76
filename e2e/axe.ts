import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Page } from 'playwright-core';

const axe = readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What axe finds wrong, a line each. A drawing is one picture to it: what lies inside says nothing to a reader of
 * screens, and is out of the page for as long as axe looks (to be left out by name takes ten times as long).
 */
export async function faultsOf(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  const { violations } = await page.evaluate<AxeResults>(`(async () => {
    const drawings = [...document.querySelectorAll('svg')].map((drawing) => [drawing, [...drawing.childNodes]]);
    for (const [drawing, parts] of drawings)
      drawing.replaceChildren(...parts.filter(({ nodeName }) => nodeName === 'title' || nodeName === 'desc'));
    try {
      return await axe.run(document, { resultTypes: ['violations'] });
    } finally {
      for (const [drawing, parts] of drawings) drawing.replaceChildren(...parts);
    }
  })()`);
  return violations.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`));
}
