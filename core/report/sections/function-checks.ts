import { calibrationOf, closeOutItems } from '../../knowledge/index.ts';
import { powerNotBack, receptaclesOf } from '../../log/index.ts';
import type { Reported } from './kind.ts';

/** The testers and their function checks, and the house as it was left. */
export function functionChecks({ report, testers }: Reported) {
  const { house, proofs, practice, instrumentDoubts } = report;
  const byId = new Map(testers.map((one) => [one.id, one]));
  const all = receptaclesOf(house);
  return {
    checks: proofs.map((proof) => {
      const known = proof.tester === null ? undefined : byId.get(proof.tester);
      return {
        ...proof,
        name: known?.name ?? null,
        rating: known?.rating ?? null,
        calibration: calibrationOf(practice, proof.instrument, proof.tester),
      };
    }),
    instrumentDoubts,
    labels: all.flatMap(({ name, protection: { labels } }) =>
      labels === null || labels.length === 0 ? [] : [{ name, labels }],
    ),
    resets: all.flatMap(({ name, protection: { resetAt } }) => (resetAt === null ? [] : [{ name, resetAt }])),
    warned: all.flatMap(({ name, warnings }) => warnings.map(({ danger, at }) => ({ name, danger, at }))),
    keepPowered: house.keepPowered,
    closedOut: closeOutItems.filter((item) => house.left.includes(item)),
    notBack: powerNotBack(house),
  };
}
