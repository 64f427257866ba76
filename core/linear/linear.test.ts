import fc from 'fast-check';
import { addOuter, cholesky, logDeterminant, lowerIndex, lowerSize, solveLower, symmetric } from '.';

/** A positive definite matrix: G Gᵀ + I. */
const definite = (order: number, seed: number[]) => {
  const lower = new Float64Array(lowerSize(order));
  for (let k = 0; k < order; k++) {
    addOuter(
      lower,
      Float64Array.from({ length: order }, (_, i) => seed[(k * order + i) % seed.length]),
      1,
    );
  }
  for (let i = 0; i < order; i++) lower[lowerIndex(i, i)] += 1;
  return lower;
};

describe('lower triangles', () => {
  it('hold a symmetric matrix once', () => {
    expect(lowerSize(4)).toBe(10);
    expect(lowerIndex(2, 1)).toBe(lowerIndex(1, 2));
    expect(symmetric([1, 2, 3, 4, 5, 6], 2, 1)).toBe(5);
    expect(symmetric([1, 2, 3, 4, 5, 6], 1, 2)).toBe(5);
  });

  it('take an outer product', () => {
    const lower = new Float64Array(3);
    addOuter(lower, [2, 3], 2);
    expect([...lower]).toEqual([8, 12, 18]);
  });
});

describe('the Cholesky factor', () => {
  it('of a matrix worked by hand', () => {
    // [[4, 2], [2, 5]] = L Lᵀ with L = [[2, 0], [1, 2]].
    expect([...cholesky([4, 2, 5], 2)!]).toEqual([2, 1, 2]);
    expect(logDeterminant(cholesky([4, 2, 5], 2)!, 2)).toBeCloseTo(Math.log(16), 12);
    expect([...solveLower([2, 1, 2], [4, 6], new Float64Array(2))]).toEqual([2, 2]);
  });

  it('is refused where there is none', () => {
    expect(cholesky([1, 2, 1], 2)).toBeUndefined();
    expect(cholesky([0], 1)).toBeUndefined();
  });

  it('gives its matrix back, and distances that the inverse would give', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 6, maxLength: 36 }),
        (order, seed) => {
          const matrix = definite(order, seed);
          const factor = cholesky(matrix, order)!;
          for (let i = 0; i < order; i++) {
            for (let j = 0; j <= i; j++) {
              let sum = 0;
              for (let k = 0; k <= j; k++) sum += factor[lowerIndex(i, k)] * factor[lowerIndex(j, k)];
              expect(sum).toBeCloseTo(matrix[lowerIndex(i, j)], 8);
            }
          }
          const x = Float64Array.from({ length: order }, (_, i) => i + 1);
          const z = solveLower(factor, x, new Float64Array(order));
          for (let i = 0; i < order; i++) {
            let back = 0;
            for (let k = 0; k <= i; k++) back += factor[lowerIndex(i, k)] * z[k];
            expect(back).toBeCloseTo(x[i], 8);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
