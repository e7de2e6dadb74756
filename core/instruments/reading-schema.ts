import { z } from 'zod';
import { lazily } from '../lazily.ts';
import type { Pair } from './contacts.ts';
import { earthMeterForm } from './earth-meter.ts';
import { loadTesterForm } from './load-tester.ts';
import { lowMeterForm } from './low-meter.ts';
import { meterForm } from './meter.ts';
import { ownButtonForm } from './own-button.ts';
import { probeForm } from './probe.ts';
import { outletId, parts, stateSchema, trippedBefore } from './state-schema.ts';
import { testerButtonForm } from './tester-button.ts';
import { threeLampsForm } from './three-lamps.ts';

type Fields = Readonly<Record<string, unknown>>;

interface Form {
  readonly asked: z.ZodRawShape & { instrument: z.ZodLiteral<string> };
  readonly shown: z.ZodRawShape;
}

/** A test with an instrument, what it shows at an outlet, and what it shows where it is said elsewhere at which. */
const of = <F extends Form>({ asked, shown }: F) => {
  const place = { at: outletId(), state: stateSchema().optional() };
  const withoutDevices = { state: stateSchema().pick({ loadsOff: true, breakerOff: true }).optional() };
  const names = Object.keys(shown);
  const showsSomething = (read: object): boolean =>
    names.length === 0 || names.some((name) => (read as Fields)[name] !== undefined);
  const nothing = { message: 'no-value' };
  return {
    test: z.strictObject({ ...place, ...(asked as F['asked']) }),
    reading: z
      .strictObject({
        ...place,
        trippedBefore: trippedBefore(),
        ...(asked as F['asked']),
        ...(shown as F['shown']),
      })
      .refine(showsSomething, nothing),
    shown: z
      .strictObject({ ...withoutDevices, ...(asked as F['asked']), ...(shown as F['shown']) })
      .refine(showsSomething, nothing),
  };
};

/** Every instrument that is read at the contacts: a line each. */
const atContacts = lazily(() => [
  of(threeLampsForm(parts)),
  of(meterForm(parts)),
  of(lowMeterForm(parts)),
  of(earthMeterForm(parts)),
  of(probeForm(parts)),
  of(loadTesterForm(parts)),
]);
/** Those that make a device trip. */
const atDevices = lazily(() => [of(testerButtonForm(parts)), of(ownButtonForm(parts))]);
const all = () => [...atContacts(), ...atDevices()];

/** As a union takes its members: one at least. */
const members = <M>(some: readonly M[]) => some as readonly [M, ...M[]];

export const testSchema = lazily(() =>
  z.discriminatedUnion('instrument', members(all().map(({ test }) => test))),
);
export type Test = Readonly<z.infer<ReturnType<typeof testSchema>>>;

export const readingSchema = lazily(() =>
  z.discriminatedUnion('instrument', members(all().map(({ reading }) => reading))),
);
export type Reading = Readonly<z.infer<ReturnType<typeof readingSchema>>>;

type WithEveryPair<R> = R extends { readonly hn?: number | undefined }
  ? R & Readonly<Record<Pair, number>>
  : R;
/** A reading that lacks no pair, as those that are computed do. */
export type WholeReading = WithEveryPair<Reading>;

/** What an instrument showed, where it is said elsewhere at which receptacle. */
export const shownSchema = lazily(() =>
  z.discriminatedUnion('instrument', members(atContacts().map(({ shown }) => shown))),
);
export type Shown = Readonly<z.infer<ReturnType<typeof shownSchema>>>;
