import { bogUmbels, tentCones } from '@plesion/demo';
import { isSensitive } from '../guide';
import { localityOf } from './locality';

const guarded = bogUmbels.taxa.find(({ sensitive }) => sensitive)!;
const other = bogUmbels.taxa.find(
  ({ rank, parent, id }) => rank === 'species' && parent === guarded.parent && id !== guarded.id,
)!;

describe('places of sensitive taxa', () => {
  it('are guarded for the taxon, for what holds it, and where nothing is known of what it is', () => {
    expect(isSensitive(bogUmbels, [guarded.id])).toBe(true);
    expect(isSensitive(bogUmbels, [guarded.parent!])).toBe(true);
    expect(isSensitive(bogUmbels, [])).toBe(true);
    expect(isSensitive(bogUmbels, ['no-such-taxon'])).toBe(true);
    expect(isSensitive(bogUmbels, [other.id])).toBe(false);
    expect(isSensitive(bogUmbels, [other.id, guarded.id])).toBe(true);
    expect(isSensitive(tentCones, [])).toBe(false);
    expect(isSensitive(undefined, [guarded.id])).toBe(false);
  });

  it('are told coarsely and said to be, others as they are', () => {
    const situation = { place: 'Hallin Moss, north pool', latitude: -41.23456, longitude: -28.16001 };
    expect(localityOf(situation, false)).toEqual({
      locality: 'Hallin Moss, north pool',
      decimalLatitude: -41.23456,
      decimalLongitude: -28.16001,
      geodeticDatum: 'WGS84',
    });
    expect(localityOf(situation, true)).toEqual({
      decimalLatitude: -41.2,
      decimalLongitude: -28.2,
      geodeticDatum: 'WGS84',
      dataGeneralizations: 'Sensitive taxon: coordinates rounded to 0.1 degrees, locality withheld',
    });
    expect(localityOf({}, true)).toEqual({});
    expect(localityOf({ place: 'a' }, true)).toEqual({ dataGeneralizations: 'Sensitive taxon: locality withheld' });
  });
});
