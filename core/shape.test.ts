import { z } from 'zod';
import { sayIssue, unfolded } from './shape';

z.config({ localeError: sayIssue });

const Point = z.tuple([z.number(), z.number()]);
const Set = z.object({
  at: z.union([Point, z.array(Point)]),
  day: z.union([z.literal('today'), z.number()]).optional(),
  size: z.union([z.strictObject({ mm: z.number() }), z.strictObject({ px: z.union([z.number(), Point]) })]).optional(),
});

const said = (value: unknown): string[] =>
  unfolded(Set.safeParse(value).error!.issues, 20).map(({ path, message }) => `${path.join('.')}: ${message}`);

describe('what is wrong with one of several things', () => {
  it('is what is wrong with the one that it is most like', () => {
    expect(said({ at: [Number.POSITIVE_INFINITY, 1] })).toEqual(['at.0: should be a number']);
    expect(
      said({
        at: [
          [1, 2],
          [3, 'x'],
        ],
      }),
    ).toEqual(['at.1.1: should be a number']);
    expect(said({ at: [1, 2], size: { mm: 'large' } })).toEqual(['size.mm: should be a number']);
  });

  it('is told of what may be one of several things in its turn', () => {
    expect(said({ at: [1, 2], size: { px: [1, 'x'] } })).toEqual(['size.px.1: should be a number']);
  });

  it('is all that it may be, where it is like none of them', () => {
    expect(said({ at: 'here' })).toEqual(['at: should be a list']);
    expect(said({ at: [1, 2], day: 'soon' })).toEqual(['day: should be today, or should be a number']);
  });

  it('leaves other problems as they are', () => {
    expect(said({})).toEqual(['at: is missing']);
    expect(said({ at: [1, 2], size: null })).toEqual(['size: should be an object']);
  });
});
