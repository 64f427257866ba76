import { ledgeCrabs } from '@plesion/demo';
import { formPlate, measuresOn, tilePlate } from './plates';

const character = (id: string) => ledgeCrabs.characters.find((c) => c.id === id)!;
const FORM = 'murica/adult.male.plain';

describe('plates on the screen', () => {
  it('are drawn once, and anew for what was seen or another version of the guide', () => {
    const first = formPlate(ledgeCrabs, FORM, 'dorsal', 'thumb');
    expect(formPlate(ledgeCrabs, FORM, 'dorsal', 'thumb')).toBe(first);
    expect(formPlate(ledgeCrabs, FORM, 'dorsal', 'thumb', { 'ground-colour': 'cream' })).not.toEqual(first);
    expect(formPlate({ ...ledgeCrabs, title: 'Second edition' }, FORM, 'dorsal', 'thumb')).not.toBe(first);
  });

  it('are not made up for a form or a body plan that is not there', () => {
    expect(formPlate(ledgeCrabs, 'murica/adult.male.striped', 'dorsal', 'thumb')).toBeUndefined();
    expect(formPlate({ ...ledgeCrabs, plan: undefined }, FORM, 'dorsal', 'thumb')).toBeUndefined();
    expect(tilePlate({ ...ledgeCrabs, plan: undefined }, character('front-edge'), 'one-arch')).toBeUndefined();
  });

  it('show where a measure is taken, and nothing for what is not measured', () => {
    expect(measuresOn(ledgeCrabs, FORM, character('leg-ratio'))!.measures.map(({ name }) => name)).toEqual(['leg', 'carapace']);
    expect(measuresOn(ledgeCrabs, FORM, character('front-edge'))).toBeUndefined();
  });
});
