import { ledgeCrabs } from '@plesion/demo';
import { practicePair } from './practicePair';

describe('where two are practised with', () => {
  it('is told by their species, whatever of them is meant', () => {
    expect(practicePair('g', ledgeCrabs, 'murica', 'velloma')).toBe('/guides/g/practice?way=pair&a=murica&b=velloma');
    const below = ledgeCrabs.taxa.find(({ parent }) => parent === 'velloma')!.id;
    expect(practicePair('g', ledgeCrabs, below, 'murica')).toBe('/guides/g/practice?way=pair&a=velloma&b=murica');
  });

  it('is nowhere for two of one species, for what is none, and where nothing is drawn', () => {
    const below = ledgeCrabs.taxa.find(({ parent }) => parent === 'velloma')!.id;
    const genus = ledgeCrabs.taxa.find(({ rank }) => rank === 'genus')!.id;
    expect(practicePair('g', ledgeCrabs, 'velloma', below)).toBeUndefined();
    expect(practicePair('g', ledgeCrabs, genus, 'murica')).toBeUndefined();
    expect(practicePair('g', { ...ledgeCrabs, plan: undefined }, 'murica', 'velloma')).toBeUndefined();
  });
});
