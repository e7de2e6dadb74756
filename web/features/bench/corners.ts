import type { ContactSurvey, OutletSurvey } from '@fair-plug/core/circuit';
import type { ContactState } from '@fair-plug/core/engine';
import type { Corners } from '@/components/triangle';

const dangerousVolts = 50;

/** On the bench the truth is known: live is what something holds 50 V or more from earth. */
export function stateOf({ volts, held }: ContactSurvey): ContactState {
  if (!held) return 'may-be-live';
  return volts >= dangerousVolts ? 'live' : 'not-live';
}

export const cornersOf = ({ contacts }: OutletSurvey): Corners => ({
  hot: stateOf(contacts.hot),
  neutral: stateOf(contacts.neutral),
  ground: stateOf(contacts.ground),
});
