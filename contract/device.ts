const SYSTEMS: [RegExp, string][] = [
  [/iPhone|iPad/, 'Phone or tablet'],
  [/Android/, 'Phone or tablet'],
  [/Windows|Macintosh|X11|Linux|CrOS/, 'Computer'],
];

/** What a browser runs on, from what it calls itself; nothing finer is kept apart by people. */
export const nameOfDevice = (agent: string): string =>
  SYSTEMS.find(([pattern]) => pattern.test(agent))?.[1] ?? (agent ? 'Another device' : 'A device without a name');
