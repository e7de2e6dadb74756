/** Lower factor of a small symmetric matrix, in place. */
export function cholesky(matrix: Float64Array, size: number): void {
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column <= row; column += 1) {
      let sum = matrix[row * size + column] as number;
      for (let k = 0; k < column; k += 1)
        sum -= (matrix[row * size + k] as number) * (matrix[column * size + k] as number);
      matrix[row * size + column] =
        row === column ? Math.sqrt(Math.max(sum, 1e-12)) : sum / (matrix[column * size + column] as number);
    }
}

/** Inverse of a lower factor. */
export function invertLower(lower: Float64Array, size: number, into: Float64Array): void {
  into.fill(0);
  for (let column = 0; column < size; column += 1)
    for (let row = column; row < size; row += 1) {
      let sum = row === column ? 1 : 0;
      for (let k = column; k < row; k += 1)
        sum -= (lower[row * size + k] as number) * (into[k * size + column] as number);
      into[row * size + column] = sum / (lower[row * size + row] as number);
    }
}
