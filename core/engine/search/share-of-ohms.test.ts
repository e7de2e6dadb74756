import { describe, expect, test } from 'vitest';
import { logOhms, sampleOhms } from './prior-shares.ts';
import { shareOfOhms } from './share-of-ohms.ts';

/** Logarithm of the mean of exp(best − nats) over the prior on the ohms, by Simpson's rule on a fine grid. */
function integrated(natsAt: (ohms: number) => number, best: number, from: number): number {
  const [low, high] = [Math.log(from), Math.log(1e5)];
  const steps = 20_000;
  const width = (high - low) / steps;
  let sum = 0;
  for (let step = 0; step <= steps; step += 1) {
    const at = low + step * width;
    const off = (at - logOhms.middle) / logOhms.sigma;
    const weight = step === 0 || step === steps ? 1 : step % 2 === 1 ? 4 : 2;
    sum += weight * Math.exp(best - natsAt(Math.exp(at)) - 0.5 * off * off);
  }
  return Math.log((sum * width) / 3 / (logOhms.sigma * Math.sqrt(2 * Math.PI)));
}

const triedAs = (natsAt: (ohms: number) => number, beyond = Number.POSITIVE_INFINITY) => {
  const tried: { ohms: number; deficit: number }[] = [];
  for (const { ohms } of sampleOhms) {
    tried.push({ ohms, deficit: natsAt(ohms) });
    if (natsAt(ohms) > beyond) break;
  }
  return tried;
};

describe('the share of ohms that do about as well as the best that were tried', () => {
  test.each([
    // What 0.1 ohms drop hardly shows, and more shows more and more: a meter's noise against ohms times amperes.
    { none: 10, slope: 3, bend: 20 },
    { none: 10, slope: -1, bend: 40 },
    { none: 10, slope: 0, bend: 90 },
    { none: 40, slope: 12, bend: 5 },
  ])('small ohms are summed over along a parabola: $none + $slope·r + $bend·r²', ({ none, slope, bend }) => {
    const natsAt = (ohms: number): number => none + slope * ohms + bend * ohms * ohms;
    const tried = triedAs(natsAt, natsAt(0.1) + 7);
    const { logShare, isKnown } = shareOfOhms(tried, none, natsAt(0.1));
    expect(isKnown).toBe(true);
    expect(Math.abs(logShare - integrated(natsAt, natsAt(0.1), 0.1))).toBeLessThan(0.25);
  });

  test('a share that ohms hardly matter to is nearly the whole', () => {
    const { logShare, isKnown } = shareOfOhms(
      triedAs(() => 5),
      null,
      5,
    );
    expect(isKnown).toBe(true);
    expect(logShare).toBeCloseTo(0, 2);
  });

  test('ohms between those tried that do much better have to be fitted', () => {
    // A bad connection of 0.2 ohms, read well: neither 0.1 nor 0.4 ohms come near.
    const natsAt = (ohms: number): number => 3000 * (ohms - 0.2) ** 2;
    expect(shareOfOhms(triedAs(natsAt), natsAt(0), natsAt(0.1)).isKnown).toBe(false);
    const atTwo = (ohms: number): number => 300 * Math.log(ohms / 2) ** 2;
    expect(shareOfOhms(triedAs(atTwo), null, atTwo(1.2)).isKnown).toBe(false);
  });

  test.each([
    [1, false],
    [0.3, true],
  ])('small ohms between those tried that do better by %d nat: known without a fit is %s', (nats, known) => {
    // A parabola whose least is at 0.2 ohms, so many nats below what 0.1 ohms have.
    const natsAt = (ohms: number): number => 10 + 100 * nats * (ohms - 0.2) ** 2;
    expect(shareOfOhms(triedAs(natsAt), natsAt(0), natsAt(0.1)).isKnown).toBe(known);
  });

  test('what was not looked at to the end adds nothing', () => {
    const tried = [
      { ohms: 0.1, deficit: 8 },
      { ohms: 0.4, deficit: Number.POSITIVE_INFINITY },
    ];
    const { logShare, isKnown } = shareOfOhms(tried, null, 8);
    expect(logShare).toBeCloseTo(Math.log(sampleOhms[0]?.share ?? 0), 9);
    expect(isKnown).toBe(false);
  });
});
