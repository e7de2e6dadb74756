/** Volts of a lampholder's screw shell against ground; null: not measured. */
export interface ShellVolts {
  readonly on: number | null;
  readonly off: number | null;
}

/**
 * What a shell's volts say. Its shell is on the neutral and reads about nought. On whichever side the switch sits:
 * - hot and neutral exchanged before the switch: the shell is live with the switch on and off;
 * - exchanged at the lampholder, behind the switch: it is live with the switch on alone;
 * - the switch breaks the neutral: it is live through the lamp's filament with the switch off alone.
 */
export type ShellJudged = 'sound' | 'reversed' | 'reversed-here' | 'neutral-switched' | 'live';

/** From such a share of nominal a shell is live; what is induced on it stays below. */
const liveShare = 0.5;

/** null where nothing was measured. */
export function shellOf({ on, off }: ShellVolts, nominalVolts: number): ShellJudged | null {
  if (on === null && off === null) return null;
  const isLive = (volts: number): boolean => volts >= liveShare * nominalVolts;
  if (on === null || off === null) {
    const volts = on ?? off ?? 0;
    // With one of the two it is not told which; live is live.
    return isLive(volts) ? 'live' : null;
  }
  if (isLive(on)) return isLive(off) ? 'reversed' : 'reversed-here';
  return isLive(off) ? 'neutral-switched' : 'sound';
}
