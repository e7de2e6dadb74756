/** Logarithm of a sum of what is given by its logarithms. */
export const logSum = (values: readonly number[]): number => {
  const most = Math.max(...values);
  return most === Number.NEGATIVE_INFINITY
    ? most
    : most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
};
