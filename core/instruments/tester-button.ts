import { outletId, type Zod } from './form.ts';
import type { Instrument, InUse } from './kind.ts';
import { imbalanceAmps, secondsToTrip, thresholdAmps } from './protection.ts';
import { milliamps } from './value.ts';

export const testerButtonForm = (z: Zod) => ({
  asked: {
    instrument: z.literal('gfci-button'),
    buttonMilliamps: z.number().positive().max(10_000).optional(),
  },
  shown: {
    milliamps: z.number().min(0).max(1e6),
    trips: z.array(outletId(z)).max(10_000),
    /** At most so long; absent where nothing trips. */
    seconds: z.number().min(0).max(1e6).optional(),
  },
});

/** What the button of a plug-in tester puts from hot to ground, in milliamperes. */
export const usualButtonMilliamps = 8;

const siemens = (asked: number, nominalVolts: number): number => asked / 1000 / nominalVolts;

/** Amperes that each device that is set misses while the button is held; none where it cannot trip. */
function missedAmps({ network, operation, outlet, solved, drawn, nodesRe, nodesIm }: InUse) {
  const contact = network.outlets[outlet]?.contact;
  if (contact === undefined || network.devices.length === 0) return [];
  const solver = solved();
  const [re, im] = drawn();
  const amps = [
    [contact.hot, -re, -im],
    [contact.ground, re, im],
  ] as const;
  solver.respond(amps, nodesRe, nodesIm);
  for (let node = 0; node < network.nodeCount; node += 1) {
    nodesRe[node] = (nodesRe[node] as number) + (solver.voltsRe[node] as number);
    nodesIm[node] = (nodesIm[node] as number) + (solver.voltsIm[node] as number);
  }
  return network.devices.map((device, index) => {
    if (operation.deviceStates[index] !== 'set') return null;
    const missed = imbalanceAmps(solver, device, nodesRe, nodesIm);
    return missed >= thresholdAmps(device.protection) ? missed : null;
  });
}

/** The button of a plug-in tester: a few milliamperes from hot to ground, which a ground-fault device misses. */
export const testerButton: Instrument = {
  seconds: 90,
  setting: { name: 'buttonMilliamps', usual: usualButtonMilliamps },
  reads: {
    fields: { milliamps: 'hg' },
    value: milliamps,
    siemens,
    perVolt: (asked, nominalVolts) => siemens(asked, nominalVolts) * 1000,
  },
  watches: {
    channel: 'trips',
    observed: (reading, devices) => {
      const { trips } = reading as { readonly trips: readonly string[] };
      return devices.map((id) => (trips.includes(id) ? 1 : 0));
    },
    predict: (used, into, first) =>
      missedAmps(used).forEach((amps, index) => {
        into[first + index] = amps === null ? 0 : 1;
      }),
    shown: (channel, devices) => ({ trips: devices.filter((_, index) => channel(index) === 1) }),
    besides: (used) => {
      const seconds = missedAmps(used).flatMap((amps, index) => {
        const protection = used.network.devices[index]?.protection;
        return amps === null || protection === undefined ? [] : [secondsToTrip(protection, amps)];
      });
      return seconds.length === 0 ? {} : { seconds: Math.min(...seconds) };
    },
  },
  needs: 'device',
  onlyWhereCorrect: true,
  partOf: 'lamps',
};
