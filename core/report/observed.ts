import { conditions, type Look, lookFacts, looks } from '../conditions/index.ts';
import type { Verdict } from '../diagnosis/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import { groundFaultWords } from '../judgement/index.ts';
import type { Finding } from './report.ts';

type Observed = Omit<Finding, 'number' | 'verdict' | 'cause'>;

const names = (receptacles: readonly Receptacle[]): readonly string[] => receptacles.map(({ name }) => name);

/** What was seen without a tester, one finding a look. */
function lookFindings(all: readonly Receptacle[]): readonly Observed[] {
  return looks.flatMap((look: Look): readonly Observed[] => {
    const { name, urgency, why, correction } = lookFacts[look];
    const there = all.filter((one) => one.looks.includes(look));
    if (urgency === null || there.length === 0) return [];
    return [
      {
        urgency,
        headline: name,
        what: 'Seen at the receptacle.',
        why,
        correction,
        cautions: [],
        receptacles: names(there),
      },
    ];
  });
}

function deviceFindings(
  all: readonly Receptacle[],
  verdictOf: (id: string) => Verdict | null,
): readonly Observed[] {
  const gathered = new Map<string, Receptacle[]>();
  for (const one of all) {
    const latest = one.groundFaultTests.at(-1);
    if (latest === undefined) continue;
    const { words, isFinding } = groundFaultWords(latest, verdictOf(one.id));
    if (isFinding) gathered.set(words, [...(gathered.get(words) ?? []), one]);
  }
  const { why, correction, urgency } = conditions['protection-failed'];
  return [...gathered].map(([words, there]) => ({
    urgency: words === conditions['protection-failed'].what ? (urgency ?? 'repair') : 'repair',
    headline: 'Ground-fault protection did not do what it should',
    what: words,
    why,
    correction,
    cautions: [],
    receptacles: names(there),
  }));
}

/** Devices last about so many years; 5 to 20 are met (common practice). */
const usualLife = 10;

function oldDevices(house: House): readonly Observed[] {
  if (house.lastReadAt === null) return [];
  const now = Number(house.lastReadAt.slice(0, 4));
  const old = receptaclesOf(house).filter(
    ({ protection: { madeIn } }) => madeIn !== null && now - madeIn > usualLife,
  );
  if (old.length === 0) return [];
  return [
    {
      urgency: 'note',
      headline: `Ground-fault devices more than ${usualLife} years old`,
      what: 'The year stands on the device.',
      why: 'They wear out unseen: power stays on when they no longer protect.',
      correction: 'Press the device’s own button every month; have it replaced at the next occasion.',
      cautions: [],
      receptacles: names(old),
    },
  ];
}

/** A receptacle without a ground, protected by a device, needs both labels. */
function labelFindings(house: House, verdictOf: (id: string) => Verdict | null): readonly Observed[] {
  const behindDevices = new Set(house.wentDead.flatMap(({ by, dead }) => (by.kind === 'device' ? dead : [])));
  const missing = receptaclesOf(house).filter((one) => {
    const { labels } = one.protection;
    if (labels === null) return false;
    const ungrounded = verdictOf(one.id)?.readsAs.includes('open-ground') === true;
    const needs = [
      ...(behindDevices.has(one.id) ? (['protected'] as const) : []),
      ...(ungrounded ? (['no-equipment-ground'] as const) : []),
    ];
    return needs.some((label) => !labels.includes(label));
  });
  if (missing.length === 0) return [];
  return [
    {
      urgency: 'repair',
      headline: 'Labels missing',
      what: 'A receptacle protected from elsewhere is marked “GFCI Protected”; one without a ground is marked “No Equipment Ground” besides.',
      why: 'The next person takes it for grounded, or looks in vain for its reset.',
      correction: 'The labels are put on (NEC 406.4(D)(2), from memory; the local code decides).',
      cautions: [],
      receptacles: names(missing),
    },
  ];
}

/** Jumpers seen with the cover off: proof of what readings only suggest. */
function boxFindings(all: readonly Receptacle[]): readonly Observed[] {
  const jumpered = all.filter(({ coverOff }) => coverOff?.jumper === true);
  if (jumpered.length === 0) return [];
  const { name, what, why, correction, urgency } = conditions['bootleg-ground'];
  return [
    {
      urgency: urgency ?? 'repair',
      headline: `${name}, seen in the box`,
      what,
      why,
      correction,
      cautions: [],
      receptacles: names(jumpered),
    },
  ];
}

/** All that was observed beside what testers showed, as findings without numbers. */
export function observedFindings(
  house: House,
  verdictOf: (id: string) => Verdict | null,
): readonly Observed[] {
  const all = receptaclesOf(house);
  return [
    ...lookFindings(all),
    ...deviceFindings(all, verdictOf),
    ...boxFindings(all),
    ...labelFindings(house, verdictOf),
    ...oldDevices(house),
  ];
}

/** What must not be taken for a defect, said so that nobody else reports it as one. */
export function noDefectNotes(house: House): readonly string[] {
  const all = receptaclesOf(house);
  const holeUp = all.filter((one) => one.looks.includes('hole-up'));
  const twoSlot = all.filter((one) => one.type === 'two-slot' && !one.adapter);
  return [
    ...(holeUp.length > 0 ? [`Ground hole up at ${names(holeUp).join(', ')}: either way up is right.`] : []),
    ...(twoSlot.length > 0
      ? [
          `Two-slot receptacles at ${names(twoSlot).join(', ')}: allowed where they are original; nothing with three prongs can be plugged in.`,
        ]
      : []),
  ];
}
