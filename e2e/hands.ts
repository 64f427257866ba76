import type { Page } from 'playwright-core';

/** Tabs after which what is looked for counts as out of reach. */
const OUT_OF_REACH = 90;

/** A person with a keyboard and nothing else: every key pressed is counted. */
export function handsOf(page: Page) {
  let pressed = 0;
  const here = () =>
    page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      const name = at?.getAttribute('aria-label') ?? at?.textContent ?? '';
      return { name: name.trim().replace(/\s+/g, ' '), lost: !at || at === document.body };
    });
  /** Until what is called so is on the page and can be gone to: a button may wait for an answer. */
  const there = (name: string | RegExp) =>
    page.waitForFunction(
      ({ source, whole }) =>
        [...document.querySelectorAll<HTMLElement>('a[href], button, input, textarea, [tabindex]')].some((one) => {
          const own = (one.getAttribute('aria-label') ?? one.textContent ?? '').trim().replace(/\s+/g, ' ');
          const off = one.hasAttribute('disabled') || one.getAttribute('aria-disabled') === 'true';
          return !off && (whole ? own === source : new RegExp(source).test(own));
        }),
      typeof name === 'string' ? { source: name, whole: true } : { source: name.source, whole: false },
    );
  async function press(key: string, times = 1): Promise<void> {
    for (let i = 0; i < times; i++) await page.keyboard.press(key);
    pressed += times;
  }
  return {
    press,
    here,
    count: () => pressed,
    /** Words, a key each. */
    async type(words: string): Promise<void> {
      await page.keyboard.type(words);
      pressed += words.length;
    },
    /** From the clipboard: two keys. */
    async paste(words: string): Promise<void> {
      await page.keyboard.insertText(words);
      pressed += 2;
    },
    /** Tab until what is called so has the focus; back with Shift where that is nearer. */
    async tabTo(name: string | RegExp, back = false): Promise<void> {
      await there(name);
      const passed: string[] = [];
      for (let i = 0; i < OUT_OF_REACH; i++) {
        const at = await here();
        if (!at.lost && (typeof name === 'string' ? at.name === name : name.test(at.name))) return;
        passed.push(at.lost ? '(nowhere)' : at.name.slice(0, 30));
        await press(back ? 'Shift+Tab' : 'Tab');
      }
      throw new Error(`${String(name)} is out of reach of Tab: ${passed.slice(0, 40).join(' | ')}`);
    },
  };
}
