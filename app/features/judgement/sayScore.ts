import type { Character, ScoreValue } from '@plesion/core/guide';

/** What a source says, as it says it: "domed always", "0.52–0.60", "above lenior". */
export function sayScore(character: Character, value: ScoreValue): string {
  switch (value.kind) {
    case 'states': {
      const labelOf = (state: string) => character.states?.find(({ id }) => id === state)?.label ?? state;
      if (value.uncertain) return `either ${Object.keys(value.states).map(labelOf).join(' or ')}`;
      return Object.entries(value.states)
        .map(([state, often]) => `${labelOf(state)} ${sayFrequency(often)}`)
        .join(', ');
    }
    case 'counts':
      return Object.entries(value.counts)
        .map(([count, often]) => `${count} ${sayFrequency(often)}`)
        .join(', ');
    case 'range':
      return `${value.range}${character.unit ? ` ${character.unit}` : ''}`;
    case 'values':
      return `${value.mean} ± ${value.sd}${character.unit ? ` ${character.unit}` : ''}`;
    case 'applies':
      return `applies ${sayFrequency(value.frequency)}`;
    case 'comparison':
      return `${value.relation} ${value.than.taxon}`;
  }
}

const sayFrequency = (often: string | number) => (typeof often === 'number' ? `${Math.round(often * 100)} in 100` : often);
