/** Gaussian elimination with partial pivoting of an augmented matrix. Throws RangeError where it is singular. */
export function solve(augmented: number[][]): number[] {
  const m = augmented.map((row) => row.slice());
  const n = m.length;
  for (let i = 0; i < n; i++) {
    const pivot = m.reduce(
      (best, row, k) => (k >= i && Math.abs(row[i]) > Math.abs(m[best][i]) ? k : best),
      i
    );
    [m[i], m[pivot]] = [m[pivot], m[i]];
    if (Math.abs(m[i][i]) < 1e-14) throw new RangeError('the equations do not determine their unknowns');
    for (let k = i + 1; k < n; k++) {
      const f = m[k][i] / m[i][i];
      for (let j = i; j <= n; j++) m[k][j] -= f * m[i][j];
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = m[i][n];
    for (let j = i + 1; j < n; j++) sum -= m[i][j] * x[j];
    x[i] = sum / m[i][i];
  }
  return x;
}
