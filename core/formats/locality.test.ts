import { bogUmbels, tentCones } from '@plesion/demo';
import { isSensitive } from '../guide';
import { localityOf } from './locality';
import { GRIDS, USUAL_GRID } from './schema';

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
    expect(localityOf(situation, undefined)).toEqual({
      locality: 'Hallin Moss, north pool',
      decimalLatitude: -41.23456,
      decimalLongitude: -28.16001,
      geodeticDatum: 'WGS84',
    });
    expect(localityOf(situation, USUAL_GRID)).toEqual({
      decimalLatitude: -41.2,
      decimalLongitude: -28.2,
      geodeticDatum: 'WGS84',
      dataGeneralizations: 'Sensitive taxon: coordinates rounded to 0.1 degrees, locality withheld',
    });
    const at = (grid: number, latitude: number, longitude: number) => {
      const { decimalLatitude, decimalLongitude } = localityOf({ latitude, longitude }, grid);
      return [decimalLatitude, decimalLongitude];
    };
    expect(at(0.25, -41.23456, -28.16001)).toEqual([-41.25, -28.25]);
    expect(at(0.05, -41.23456, -28.12)).toEqual([-41.25, -28.1]);
    expect(at(1, -0.3, 179.6)).toEqual([0, 180]);
    expect(at(0.01, 12.3456, 0)).toEqual([12.35, 0]);
    for (const grid of GRIDS)
      for (const degrees of [-89.999, -7.125, 0, 0.004, 33.333333, 90]) {
        const [told] = at(grid, degrees, 0) as number[];
        expect(Math.abs(told - degrees)).toBeLessThanOrEqual(grid / 2 + 1e-9);
        expect(Math.abs(told / grid - Math.round(told / grid))).toBeLessThan(1e-9);
        // Not more digits than its grid has.
        expect(String(told).length).toBeLessThanOrEqual(6);
      }
    expect(localityOf({}, 0.1)).toEqual({});
    expect(localityOf({ place: 'a' }, 0.1)).toEqual({ dataGeneralizations: 'Sensitive taxon: locality withheld' });
  });
});
