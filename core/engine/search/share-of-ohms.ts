import { logSum } from './log-sum.ts';
import { leastOhms, logOhms, sampleOhms } from './prior-shares.ts';

/** Nats by which the readings fall short with a bad connection of so many ohms; no end of them where that was not looked at to the end. */
export interface OhmsTried {
  readonly ohms: number;
  readonly deficit: number;
}

/** Ohms that fall so many nats short of the best ones add nothing to their share. */
const negligibleNats = 7;
/** Neighbours among the ohms tried that differ by so many nats at the most are as good as all that lie between them. */
const smoothNats = 4;
/** Ohms between those tried that do better by so many nats are worth fitting. */
const worthKnowing = 0.5;
/** Points that a curve is summed over at, and the ohms up to which it is taken for one. */
const points = 24;
const mostOhms = 0.7;

/**
 * Logarithm of the share of the prior that does about as well as the best of the ohms tried, and whether that is known
 * without fitting them. `none`: nats without any bad connection, where that is known; with it, ohms so small that they
 * hardly show are summed over along a parabola, for what a small resistance drops goes by its ohms.
 */
export function shareOfOhms(
  tried: readonly OhmsTried[],
  none: number | null,
  best: number,
): { readonly logShare: number; readonly isKnown: boolean } {
  const shares = tried.flatMap(({ deficit }, index) => {
    const share = sampleOhms[index]?.share ?? 0;
    return deficit < Number.POSITIVE_INFINITY ? [Math.log(share) - deficit + best] : [];
  });
  if (shares.length === 0) return { logShare: 0, isKnown: false };
  const [first, second] = tried;
  const isLeast = first !== undefined && first.deficit === best && first.ohms === leastOhms;
  if (isLeast && none !== null && second !== undefined && second.deficit < Number.POSITIVE_INFINITY) {
    const along = alongParabola(none, first, second);
    if (along.least > best - worthKnowing)
      return { logShare: logSum([along.logShare, ...shares.slice(2)]), isKnown: true };
    return { logShare: logSum(shares), isKnown: false };
  }
  const isSmooth = tried.every(({ deficit }, index) => {
    const before = tried[index - 1]?.deficit ?? deficit;
    const matters = Math.min(deficit, before) < best + negligibleNats;
    return !matters || Math.abs(deficit - before) <= smoothNats;
  });
  return { logShare: logSum(shares), isKnown: isSmooth };
}

/** The share of small ohms beside the first tried, and the least nats among them. */
function alongParabola(
  none: number,
  first: OhmsTried,
  second: OhmsTried,
): { readonly logShare: number; readonly least: number } {
  const slopeTo = ({ ohms, deficit }: OhmsTried): number => (deficit - none) / ohms;
  const bend = (slopeTo(second) - slopeTo(first)) / (second.ohms - first.ohms);
  const slope = slopeTo(first) - bend * first.ohms;
  const step = Math.log(mostOhms / leastOhms) / points;
  let least = Number.POSITIVE_INFINITY;
  const shares = Array.from({ length: points }, (_, point) => {
    const at = Math.log(leastOhms) + (point + 0.5) * step;
    const ohms = Math.exp(at);
    const deficit = none + (slope + bend * ohms) * ohms;
    least = Math.min(least, deficit);
    const off = (at - logOhms.middle) / logOhms.sigma;
    return -0.5 * off * off - (deficit - first.deficit);
  });
  return { logShare: logSum(shares) + Math.log(step / (logOhms.sigma * Math.sqrt(2 * Math.PI))), least };
}
