const SYSTEMS: [RegExp, string][] = [
  [/iPhone|iPad/, 'a phone or tablet'],
  [/Android/, 'a phone or tablet'],
  [/Windows|Macintosh|X11|Linux|CrOS/, 'a computer'],
];

/** What a browser runs on, from what it calls itself; nothing finer is kept apart by people. */
export const nameOfDevice = (agent: string): string =>
  SYSTEMS.find(([pattern]) => pattern.test(agent))?.[1] ?? (agent ? 'another device' : 'an unnamed device');
