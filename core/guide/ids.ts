/** Ids from names as people give them: letters, digits, hyphens and underscores, each once and none of those that are taken. */
export function idsFor(names: readonly string[], had: Iterable<string> = []): Map<string, string> {
  const taken = new Set(had);
  return new Map(
    names.map((name) => {
      const plain =
        name
          .normalize('NFC')
          .replace(/[^\p{L}\p{N}_]+/gu, '-')
          .replace(/^[-_]+|-+$/g, '')
          .slice(0, 70) || 'unnamed';
      let id = plain;
      for (let k = 2; taken.has(id); k++) id = `${plain}-${k}`;
      taken.add(id);
      return [name, id];
    }),
  );
}
