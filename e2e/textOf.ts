import type { Locator } from 'playwright-core';

/** What it says, also while its card rests out of sight: the text as it is laid out (`innerText`) is empty there. */
export const textOf = async (what: Locator): Promise<string> => (await what.textContent()) ?? '';
