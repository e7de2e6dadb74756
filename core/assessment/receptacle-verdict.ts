import type { Lamps } from '../instruments/index.ts';
import { type Danger, defectFacts } from '../knowledge/index.ts';
import type { Receptacle } from '../log/index.ts';
import type { JudgedReceptacle } from './judged.ts';
import { judgeByLamps, type Verdict } from './lamp-verdict.ts';
import { isJudgedAsRead, refinedVerdict } from './refined-verdict.ts';

/** A two-slot receptacle promises no ground, so that none is there is no defect. */
const twoSlot = (verdict: Verdict): Verdict => ({
  ...verdict,
  code: 'two-slot',
  urgency: null,
  // It does not read correct: a tester's button has no ground to use here.
  plain: false,
  stop: null,
});

const isOpenGroundAlone = ({ readsAs }: Verdict): boolean =>
  readsAs.length === 1 && readsAs[0] === 'open-ground';

export interface VerdictOn {
  /** null while nothing was read. */
  readonly verdict: Verdict | null;
  /** What the engine answered to what was read; null until it has. */
  readonly refined: JudgedReceptacle | null;
}

/** What holds at a receptacle: by its lamps, as the engine refines it once it has answered to what was read, and by its kind. */
export function verdictBy(
  receptacle: Receptacle,
  answered: JudgedReceptacle | undefined,
  lamps: Lamps | null,
): VerdictOn {
  const byLamps = lamps === null ? null : judgeByLamps({ lamps });
  const refined = answered !== undefined && isJudgedAsRead(answered, receptacle) ? answered : null;
  const read = refined === null ? byLamps : refinedVerdict(byLamps, refined);
  const isOriginal = receptacle.type === 'two-slot' && !receptacle.adapter;
  const verdict = read !== null && isOriginal && isOpenGroundAlone(read) ? twoSlot(read) : read;
  const danger = dangerAt(receptacle, verdict);
  return {
    verdict: verdict === null || danger === null ? verdict : keptAway(receptacle, verdict, danger),
    refined,
  };
}

/** Where people are kept away no test follows, and lamps that read correct do not make it so. */
function keptAway({ looks }: Receptacle, verdict: Verdict, danger: Danger): Verdict {
  const seen = looks.find((look) => defectFacts[look].danger === danger);
  const kept = { ...verdict, plain: false, settle: null, stop: verdict.stop ?? danger };
  return verdict.plain ? { ...kept, code: `kept-away-${seen ?? danger}` } : kept;
}

/** Why people must be kept away from a receptacle; null where nothing read or seen there asks for it. */
export function dangerAt({ looks, readings }: Receptacle, verdict: Verdict | null): Danger | null {
  if (readings.findLast(({ plateScrew }) => plateScrew !== undefined)?.plateScrew === true)
    return 'live-ground';
  for (const look of looks) {
    const { danger } = defectFacts[look];
    if (danger !== null) return danger;
  }
  if (verdict === null) return null;
  if (verdict.signature === 'all') return 'overvoltage';
  const [leading] = verdict.readsAs;
  if (verdict.contacts.ground === 'live') return 'live-ground';
  return leading === 'energized-ground' ||
    leading === 'reversed-bootleg-ground' ||
    leading === 'hot-ground-reversed'
    ? 'live-ground'
    : null;
}

/** What a try of a ground-fault device says. */
export type GroundFaultCode = 'tripped' | 'no-power' | 'failed' | 'no-trip' | 'says-nothing';

/** What a try of a ground-fault device says, where a verdict stands; and whether it is a finding. */
export function groundFaultResult(
  { by, result }: Receptacle['groundFaultTests'][number],
  verdict: Verdict | null,
): { readonly code: GroundFaultCode; readonly isFinding: boolean } {
  if (result === 'tripped') return { code: 'tripped', isFinding: false };
  if (result === 'no-power') return { code: 'no-power', isFinding: true };
  if (by === 'own-button') return { code: 'failed', isFinding: true };
  // Where people are kept away, lamps that read correct still tell that the ground holds.
  const { plain, readsAs, urgency, stop } = verdict ?? {
    plain: true,
    readsAs: [],
    urgency: null,
    stop: null,
  };
  const isKeptAway = readsAs[0] === 'correct' && urgency === null && stop !== null;
  return plain || isKeptAway
    ? { code: 'no-trip', isFinding: true }
    : { code: 'says-nothing', isFinding: false };
}
