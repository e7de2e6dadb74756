import type { ContactSurvey, OutletSurvey, Survey } from '../../circuit/index.ts';
import {
  type Contact,
  contacts,
  contactsOfPair,
  type Pair,
  pairs,
  usualButtonMilliamps,
  type WholeReading,
} from '../../instruments/index.ts';
import { and, capital, type Terms } from './terms.ts';

const volts = (value: number): string => `${value < 9.95 ? value.toFixed(1) : Math.round(value)} V`;

type Names = Terms['contacts'];

const listOf = (names: Names, those: readonly Contact[]): string => and(those.map((one) => names[one]));

const standing = (names: Names, contact: Contact, { volts: against, held }: ContactSurvey): string =>
  held ? `${names[contact]} is held at ${volts(against)}` : `${names[contact]} floats`;

const pairIn = (names: Names, pair: Pair): string =>
  contactsOfPair[pair].map((contact) => names[contact]).join('–');

/** Where the three contacts stand: "Hot is held at 120 V, neutral floats and ground is held at 0.0 V." */
const whereTheyStand = (names: Names, outlet: OutletSurvey): string =>
  `${capital(and(contacts.map((contact) => standing(names, contact, outlet.contacts[contact]))))} against earth`;

const floats = (outlet: OutletSurvey): boolean => contacts.some((contact) => !outlet.contacts[contact].held);

function lampsWhy(names: Names, outlet: OutletSurvey): string {
  const lit = pairs.filter((pair) => outlet.lamps[pair] === 'lit');
  const dim = pairs.filter((pair) => outlet.lamps[pair] === 'dim');
  const stand = whereTheyStand(names, outlet);
  if (lit.length + dim.length > 0) {
    const parts = [
      ...(lit.length > 0
        ? [
            `${and(lit.map((pair) => pairIn(names, pair)))} ${lit.length > 1 ? 'differ' : 'differs'} enough to light`,
          ]
        : []),
      ...(dim.length > 0 ? [`${and(dim.map((pair) => pairIn(names, pair)))} only enough to glow`] : []),
    ];
    return `${stand}: ${parts.join(', ')}.`;
  }
  const live = contacts.filter(
    (contact) => outlet.contacts[contact].held && outlet.contacts[contact].volts >= 50,
  );
  if (live.length > 0)
    return `${stand}: no pair differs enough to light, and yet ${listOf(names, live)} would shock.`;
  return `${stand}: no pair differs enough to light.`;
}

/** Why an instrument shows what it shows at an outlet, in a sentence. */
export function whyItShows({ contacts: names }: Pick<Terms, 'contacts'>, survey: Survey): string {
  const { reading, trippedBefore } = survey;
  const outlet = survey.outlets.find((one) => one.id === reading.at);
  if (outlet === undefined) return '';
  const tripped =
    trippedBefore.length > 0 ? ` The protection at ${and(trippedBefore)} has tripped by itself.` : '';
  return why(names, reading, outlet) + tripped;
}

function why(names: Names, reading: WholeReading, outlet: OutletSurvey): string {
  const stand = whereTheyStand(names, outlet);
  switch (reading.instrument) {
    case 'lamps':
      return lampsWhy(names, outlet);
    case 'meter':
      return floats(outlet)
        ? `${stand}; this meter takes next to no current, so it also reads what is only induced there.`
        : `${stand}; the meter reads the differences.`;
    case 'meter-low':
      return floats(outlet)
        ? `${stand}; this meter draws current, so what is only induced there collapses.`
        : `${stand}; the meter reads the differences.`;
    case 'earth-meter':
      return `${stand}; read against a proven ${names.ground}, one contact at a time.`;
    case 'probe': {
      const sounding = contacts.filter((contact) => reading[contact]);
      const floating = sounding.filter((contact) => !outlet.contacts[contact].held);
      if (sounding.length === 0) return `${stand}: none is 50 V away from earth.`;
      const induced = floating.length > 0 ? `; on ${listOf(names, floating)} that is induction only` : '';
      return `${stand}: the probe sounds from 50 V, so at ${listOf(names, sounding)}${induced}.`;
    }
    case 'loaded': {
      const { hot, neutral } = outlet.contacts;
      const before = Math.abs(hot.volts - neutral.volts);
      const { hn, ng } = reading;
      if (hn < 1) return `${stand}: nothing behind the contacts can drive the load's current.`;
      const drop =
        before > 1 ? `, ${(((before - hn) / before) * 100).toFixed(1)} % of it lost on the way` : '';
      return `The load pulls ${pairIn(names, 'hn')} from ${volts(before)} to ${volts(hn)}${drop}; ${pairIn(names, 'ng')} shows the neutral's share, ${volts(ng)}.`;
    }
    case 'gfci-button': {
      const asked = reading.buttonMilliamps ?? usualButtonMilliamps;
      if (reading.milliamps < asked / 2)
        return `${stand}: only ${reading.milliamps.toFixed(1)} mA of ${asked} flow from ${names.hot} to ${names.ground}, so the button tells nothing here.`;
      return reading.trips.length > 0
        ? `${reading.milliamps.toFixed(1)} mA leave by ${names.hot} and come back outside the neutral: the protection at ${and(reading.trips)} trips within ${(reading.seconds ?? 0).toFixed(2)} s.`
        : `${reading.milliamps.toFixed(1)} mA leave by ${names.hot}, and no protection misses them: there is none, or they come back on its neutral.`;
    }
    case 'own-button':
      return {
        trips: 'The device is set and fed, so its own button trips it.',
        'no-power': 'The device has no power on its line side, or its poles are open.',
        nothing: 'The device has failed: its button does nothing and the power stays on.',
      }[reading.result];
  }
}
