import type { Circuit } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import type { Leg } from '../../physics/index.ts';

/** Standard deviation of a receptacle's volts at rest about its leg's: drift, what is on, the meter (common practice). */
const sigma = 0.5;
/** Volts by which the legs of one supply differ at the most. */
const mostApart = 7;
/** Hot stands about as far from ground as from neutral where the neutral is whole. */
const wholeWithin = 1.5;

/** Nats by which outlets on two legs must account better for their volts: to ask how it were with them, and to ask only how a lost neutral were, which is soon done. */
const worthAsking = 2;
export const worthALook = 1;

/**
 * Volts of every outlet at rest where its neutral is whole, hot to ground if that was measured, for there only the leg
 * tells; null where nothing was measured, or the neutral is not whole.
 */
function restingVolts({ outlets }: Circuit, readings: readonly Reading[]): readonly (number | null)[] {
  return outlets.map(({ id }) => {
    const volts: number[] = [];
    for (const reading of readings) {
      if (reading.at !== id || reading.state !== undefined) continue;
      if (reading.instrument !== 'meter' && reading.instrument !== 'meter-low') continue;
      const { hn, hg } = reading;
      if (hn === undefined) continue;
      if (hg !== undefined && Math.abs(hn - hg) > wholeWithin) return null;
      volts.push(hg ?? hn);
    }
    return volts.length === 0 ? null : volts.reduce((sum, each) => sum + each, 0) / volts.length;
  });
}

const squaresOf = (volts: readonly number[]): number => {
  const mean = volts.reduce((sum, each) => sum + each, 0) / volts.length;
  return volts.reduce((sum, each) => sum + (each - mean) ** 2, 0);
};

/** Logarithm of how often outlets of a breaker whose neutral is shared are on just these legs: either for each, whichever is which. */
export const logShareOfLegs = (outlets: number): number => (1 - outlets) * Math.LN2;

/**
 * The leg of every outlet, were the neutral whole and shared: by volts that gather about two values a few volts apart,
 * as the legs of a supply are. Null where one value, and what strays about it, does about as well: less than `worth`
 * nats worse; left out, what pays for telling which outlet is on which leg.
 */
export function legsByVolts(
  circuit: Circuit,
  readings: readonly Reading[],
  worth = worthAsking - logShareOfLegs(circuit.outlets.length),
): readonly Leg[] | null {
  const volts = restingVolts(circuit, readings);
  const known = volts.filter((each) => each !== null).sort((a, b) => a - b);
  const [low, high] = [known[0], known.at(-1)];
  if (low === undefined || high === undefined || high - low > mostApart) return null;
  let least = squaresOf(known) - 2 * sigma * sigma * worth;
  let splitAt: number | null = null;
  for (let count = 1; count < known.length; count += 1) {
    const squares = squaresOf(known.slice(0, count)) + squaresOf(known.slice(count));
    if (squares >= least) continue;
    least = squares;
    splitAt = ((known[count - 1] ?? 0) + (known[count] ?? 0)) / 2;
  }
  if (splitAt === null) return null;
  const isLow = volts.map((each) => each !== null && each < (splitAt ?? 0));
  return isLow.map((one): Leg => (one === isLow[0] ? 'L1' : 'L2'));
}
