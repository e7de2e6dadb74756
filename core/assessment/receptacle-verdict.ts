import { conditions, type Danger, dangerWords, lookFacts } from '../conditions/index.ts';
import type { Receptacle } from '../inspection/index.ts';
import type { Lamps } from '../instruments/index.ts';
import type { JudgedReceptacle } from './judged.ts';
import { judgeByLamps, type Verdict } from './lamp-verdict.ts';
import { isJudgedAsRead, refinedVerdict } from './refined-verdict.ts';

/** A two-slot receptacle promises no ground, so that none is there is no defect. */
const twoSlot = (verdict: Verdict): Verdict => ({
  ...verdict,
  code: 'two-slot',
  headline: 'Two-slot, no ground',
  why: 'Original and allowed: it promises no ground. Nothing with three prongs can be plugged in.',
  correction:
    'None needed. For three-prong equipment: a ground is run, or ground-fault protection with its labels.',
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
  const seen = looks.find((look) => lookFacts[look].danger === danger);
  const kept = { ...verdict, plain: false, next: null, stop: verdict.stop ?? dangerWords[danger].stop };
  if (!verdict.plain) return kept;
  const what = seen === undefined ? 'metal joined to it is live' : lookFacts[seen].name.toLowerCase();
  const { why, correction } = seen === undefined ? conditions['energized-ground'] : lookFacts[seen];
  return {
    ...kept,
    code: `kept-away-${seen ?? danger}`,
    headline: `Lamps read correct, but: ${what}`,
    why,
    correction,
  };
}

/** Why people must be kept away from a receptacle; null where nothing read or seen there asks for it. */
export function dangerAt({ looks, readings }: Receptacle, verdict: Verdict | null): Danger | null {
  if (readings.findLast(({ plateScrew }) => plateScrew !== undefined)?.plateScrew === true)
    return 'live-ground';
  for (const look of looks) {
    const { danger } = lookFacts[look];
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

/** What a try of a ground-fault device says, in words; and whether it is a finding. */
export function groundFaultWords(
  test: Receptacle['groundFaultTests'][number],
  verdict: Verdict | null,
): { readonly code: GroundFaultCode; readonly words: string; readonly isFinding: boolean } {
  const { by, result } = test;
  if (result === 'tripped') return { code: 'tripped', words: 'Tripped as it should.', isFinding: false };
  if (result === 'no-power')
    return {
      code: 'no-power',
      words: 'No power at the device: tripped upstream, line and load exchanged, or at the end of its life.',
      isFinding: true,
    };
  if (by === 'own-button')
    return { code: 'failed', words: conditions['protection-failed'].what, isFinding: true };
  // Where people are kept away, lamps that read correct still tell that the ground holds.
  const { plain, readsAs, urgency, stop } = verdict ?? {
    plain: true,
    readsAs: [],
    urgency: null,
    stop: null,
  };
  const isKeptAway = readsAs[0] === 'correct' && urgency === null && stop !== null;
  if (!plain && !isKeptAway)
    return {
      code: 'says-nothing',
      words: 'No trip where the ground does not hold says nothing: only the device’s own button counts.',
      isFinding: false,
    };
  return {
    code: 'no-trip',
    words:
      'Did not trip at a receptacle that reads correct: a failed device, wiring that leads past it, or a jumper from neutral to ground.',
    isFinding: true,
  };
}
