import type { Zod } from './form.ts';
import type { Instrument, InUse } from './kind.ts';
import { litFrom } from './lamps.ts';

const results = ['trips', 'no-power', 'nothing'] as const;
type Result = (typeof results)[number];

export const ownButtonForm = (z: Zod) => ({
  asked: { instrument: z.literal('own-button') },
  shown: { result: z.enum(results) },
});

/** What the test button of the device at an outlet does. */
function resultOf({ network, outlet, operation, solved }: InUse): Result {
  const index = network.devices.findIndex((device) => device.outlet === outlet);
  const nodes = network.outlets[outlet];
  const leg = network.circuit.outlets[outlet]?.leg ?? 'L1';
  const state = operation.deviceStates[index];
  if (nodes === undefined || (state !== 'set' && state !== 'failed')) return 'no-power';
  const { voltsRe, voltsIm } = solved();
  const hot = nodes.splice[leg];
  const { neutral } = nodes.splice;
  const volts = Math.hypot(
    (voltsRe[hot] as number) - (voltsRe[neutral] as number),
    (voltsIm[hot] as number) - (voltsIm[neutral] as number),
  );
  if (volts < litFrom * network.circuit.nominalVolts) return 'no-power';
  return state === 'failed' ? 'nothing' : 'trips';
}

/** The test button of a ground-fault device itself. */
export const ownButton: Instrument = {
  seconds: 60,
  watches: {
    channel: 'button',
    observed: (reading) => [results.indexOf((reading as { readonly result: Result }).result)],
    predict: (used, into, first) => {
      into[first] = results.indexOf(resultOf(used));
    },
    shown: (channel) => ({ result: results[channel(0)] ?? 'no-power' }),
  },
  needs: 'own-device',
};
