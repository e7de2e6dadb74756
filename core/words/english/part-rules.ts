import type { PartRuleWords } from '../../findings/index.ts';
import type { PanelCheck, TemperatureUnit } from '../../knowledge/index.ts';
import { heat, type PartTerms, partWords } from './part-names.ts';
import { leversOf } from './part-sections.ts';
import { and, capital, comma, lower, or } from './terms.ts';

const degrees = (value: number, unit: TemperatureUnit): string => `${Number(value.toFixed(1))} °${unit}`;
/** A difference, in the scale in which it was typed. */
const difference = (kelvins: number, unit: TemperatureUnit): string =>
  degrees(unit === 'C' ? kelvins : (kelvins * 9) / 5, unit);
const watts = (value: number): string => `${Math.round(value)} W`;

const checkText = (
  t: PartTerms,
): Readonly<Record<PanelCheck, readonly [why: string, correction: string]>> => ({
  scorch: [
    'Something burned here, and will again under load.',
    `Power off at the main and kept off for what it feeds; ${lower(t.electrician)} finds the connection, cuts back to sound metal and replaces what was hot.`,
  ],
  'neutral-loose': [
    'A neutral that lets go puts up to twice the volts on what shares it, and heats until then.',
    `With the power off ${lower(t.electrician)} tightens it to its torque and looks for heat damage; on a shared neutral both ${t.breaker}s are off first.`,
  ],
  rust: [
    `Water has been in it: ${t.breaker}s that rusted may not open when they must.`,
    `${t.electrician} finds the way of the water, and replaces what it reached; what has been wet inside is not dried.`,
  ],
  'no-bonding': [
    `Without it a fault to a metal case trips no ${t.breaker}.`,
    `${t.electrician} makes the bond where the service enters, and there alone.${t.rule('bonding')}`,
  ],
  'neutral-ground-joined': [
    `Beyond the main ${t.panel} they are kept apart: joined, current of every neutral flows in ${t.ground} wires and metal.`,
    `${t.electrician} takes the bond out and moves each to its own bar.${t.rule('bonding')}`,
  ],
  'no-handle-tie': [
    `One ${t.breaker} off leaves the other’s current in a neutral that is taken for dead.`,
    `${t.electrician} fits a tie or a two-pole ${t.breaker}, the two on different legs.${t.rule('ties')}`,
  ],
  'double-tap': [
    'A screw made for one wire holds two badly: it loosens and heats.',
    `Unless the terminal is listed for two, ${lower(t.electrician)} joins them outside it, or gives each its own ${t.breaker}.${t.rule('terminals')}`,
  ],
  'doubled-neutrals': [
    'Taking one off loosens the other, which may belong to a circuit that is on.',
    `With the circuits of both off ${lower(t.electrician)} gives each neutral its own terminal.${t.rule('neutrals')}`,
  ],
  'missing-knockouts': [
    'Fingers, mice and sparks go through an opening.',
    `Openings are closed with plugs made for them; ${lower(t.electrician)} does it with the power off.${t.rule('openings')}`,
  ],
  'no-clearance': [
    'Whoever has to switch off in a hurry, or works at it, needs room.',
    `What stands before it is moved.${t.rule('clearance')}`,
  ],
  'wrong-directory': [
    'Whoever switches off by it believes that the wrong circuit is dead.',
    `It is written anew, each line found out by switching, with leave and after a warning.${t.rule('directory')}`,
  ],
});

/** What rules say of them, in one English. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table, a line a rule.
export function partRules(t: PartTerms): PartRuleWords {
  const words = partWords(t);
  const checks = checkText(t);
  const atPanel = { openFirst: `the ${t.panel}`, retest: null } as const;
  const there = { openFirst: 'its box', retest: 'It works from every place, cool and silent.' } as const;
  return {
    panelDefect: (check) => ({
      ...atPanel,
      headline: `${capital(t.panel)}: ${lower(words.checks[check])}`,
      what: `Seen at the ${t.panel}.`,
      why: checks[check][0],
      correction: checks[check][1],
    }),
    noCompound: {
      ...atPanel,
      headline: `${capital(t.aluminum)} at terminals without antioxidant compound`,
      what: `Conductors of ${t.aluminum} end in the ${t.panel}, and no compound was seen on them.`,
      why: `Thick ${t.aluminum} is usual and sound as long as its terminals are tight and kept from the air.`,
      correction: `With the power off ${lower(t.electrician)} cleans, coats and tightens them to their torque.`,
    },
    newCopper: ({ year }) => ({
      headline: `Copper at the ${t.panel} of a house from the ${t.aluminum} years`,
      what: `Built ${year}; the ${t.panel} shows copper, and no box further on was looked into.`,
      why: `New copper that leaves a ${t.panel} is no proof of a copper house: a splice on the way may hide the rest.`,
      correction: `The oldest ${t.receptacle} is looked at, upstairs first, by ${lower(t.electrician)}; what is seen there is entered, or this is refused with its reason.`,
      openFirst: `the oldest ${t.receptacle}`,
      retest: null,
    }),
    hotSpot: ({ where, heat: found, measured, bareMetal }) => ({
      headline: `Heat at ${where}: ${lower(heat[found])}`,
      what: `${measured} ${t.heatClasses}${bareMetal ? ` ${words.bareMetal}` : ''}`,
      why: 'A connection that heats grows worse, and sets light to what lies on it.',
      correction:
        found === 'major'
          ? `Load off it now, and kept off; ${lower(t.electrician)} takes it apart with the power off before it is used again.`
          : `${t.electrician} looks at the connection with the power off, and compares it again under the same load.`,
      openFirst: where,
      retest: 'The same spot under the same load, beside a similar one.',
    }),
    hotSpotMeasured: ({ degrees: at, unit, aboveRange, amps, bySimilar, byAmbient }) =>
      `${[
        at === null
          ? 'Above the range of the camera'
          : `${degrees(at, unit)}${aboveRange ? ' or more: above the range of the camera' : ''}`,
        ...(amps === null ? [] : [`carrying ${amps} A`]),
        ...(bySimilar === null
          ? []
          : [`${difference(bySimilar.kelvins, unit)} over a similar one (${lower(heat[bySimilar.heat])})`]),
        ...(byAmbient === null
          ? []
          : [`${difference(byAmbient.kelvins, unit)} over the air (${lower(heat[byAmbient.heat])})`]),
      ].join(', ')}.`,
    pointSigns: ({ name, signs }) => ({
      ...there,
      headline: `${name}: ${and(signs.map((sign) => lower(words.pointSigns[sign])))}`,
      what: 'Seen, heard or felt at it.',
      why: signs.some((sign) => sign !== 'dead')
        ? 'A contact that arcs or heats wears on, and the box around it with it.'
        : 'A switch that switches nothing may be worn, or its circuit may be open.',
      correction: `${t.electrician} looks at its connections and replaces it.`,
    }),
    group: ({ name, fits, failing }) => ({
      ...there,
      headline: `${name}: the light does not answer to every switch`,
      what: `${
        failing.length === 0
          ? ''
          : `With the levers ${or(failing.map((one) => leversOf(one)))} it is not as it would be. `
      }${
        fits.length === 0
          ? 'No single fault of switches and travelers does that.'
          : `Fits ${or(fits.map((fault) => words.groupFaults[fault]))}.`
      }`,
      why: 'On stairs and in halls whoever comes stands in the dark; a loose traveler heats.',
      correction: fits.includes('exchanged-common')
        ? `${t.electrician} finds the common at each end with the power off: by the positions alone an open traveler and an exchanged common look the same.`
        : `${t.electrician} looks at every switch of the group and the travelers between them.`,
    }),
    dimmerWarm: ({ name, isReferred, plate, unit }) => ({
      ...there,
      headline: `${name}: plate at ${degrees(plate, unit)}`,
      what: `Warm is usual; above 49 °C (120 °F) it is written down, from 54 °C (130 °F) on referred (common practice).`,
      why: 'The likely cause is more watts than it may carry; then it fails early, or hot.',
      correction: isReferred
        ? `${t.electrician} compares the watts with its rating, and looks at its connections.`
        : 'The watts on it are added up; where it grows warmer it is referred.',
    }),
    dimmerOverloaded: ({ name, connected, allowed, rated }) => ({
      ...there,
      headline: `${name}: ${watts(connected)} on a dimmer that may carry ${watts(allowed)}`,
      what:
        allowed === rated
          ? `Rated ${watts(rated)}.`
          : `Rated ${watts(rated)}; with side fins broken off, or devices beside it, ${watts(allowed)} (common practice; what stands on it decides).`,
      why: 'It overheats behind its plate.',
      correction: 'Lamps of fewer watts, or a dimmer made for them.',
    }),
    shell: ({ name, found }) => ({
      openFirst:
        found === 'reversed'
          ? `where ${t.hot} and neutral are exchanged before the switch`
          : 'the box of the lamp and of its switch',
      retest: `Shell to ${t.ground}: about 0 V, with the switch on and off.`,
      headline: `${name}: ${
        {
          reversed: `its screw shell is live, switch on or off`,
          'reversed-here': 'its screw shell is live while it burns',
          'neutral-switched': 'the switch breaks the neutral',
          live: 'its screw shell is live',
        }[found]
      }`,
      what: {
        reversed: `${capital(t.hot)} and neutral are exchanged before the switch.`,
        'reversed-here': `${capital(t.hot)} and neutral are exchanged behind the switch, at the lampholder.`,
        'neutral-switched': `Off, it stands at full volts through its lamp: the switch is in the neutral.`,
        live: `Measured with the switch in one position alone.`,
      }[found],
      why: 'The shell is the large surface that a hand meets when a lamp is changed.',
      correction: `${t.electrician} puts ${t.hot} on the switch and the center contact, neutral on the shell.`,
    }),
    nicked: {
      openFirst: 'this box',
      retest: 'Lamps here and at the neighbours.',
      headline: 'A nicked or snapped conductor',
      what: 'Seen with the cover off.',
      why: 'It carries less where it is nicked, heats there, and snaps when it is next moved.',
      correction: `${t.electrician} cuts back to sound metal and lands it anew.`,
    },
    aluminumLooked: ({ notFound, notLooked, repaired }) =>
      [
        ...(repaired.length === 0
          ? []
          : [
              `Found there already: ${comma(repaired.map(({ remedy, names }) => `${lower(words.remediesInPlace[remedy])} at ${comma(names)}`))}.`,
            ]),
        ...(notFound.length === 0
          ? []
          : [`Looked for and not found in ${or(notFound.map((place) => words.aluminumPlaces[place]))}.`]),
        ...(notLooked.length === 0
          ? []
          : [`Not looked for in ${or(notLooked.map((place) => words.aluminumPlaces[place]))}.`]),
      ].join(' '),
    seenAt: (place) => capital(words.aluminumPlaces[place]),
    jacketYear: (year) => `jacket of ${year}`,
    panelName: words.panel,
    pointName: (kind) => words.pointKinds[kind],
    position: words.position,
  };
}
