import type { OutletSurvey } from '@fair-plug/core/instruments';
import type { Corners } from '@/components/triangle';

const dangerousVolts = 50;

/** On the bench the truth is known: a contact is live where something holds it 50 V or more from earth. */
export function cornersOf({ contacts }: OutletSurvey): Corners {
  const state = ({ volts, held }: OutletSurvey['contacts']['hot']) =>
    held && volts >= dangerousVolts ? 'live' : held ? 'not-live' : 'may-be-live';
  return { hot: state(contacts.hot), neutral: state(contacts.neutral), ground: state(contacts.ground) };
}
