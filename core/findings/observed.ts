import type { Verdict } from '../assessment/index.ts';
import { groundFaultWords } from '../assessment/index.ts';
import { conditions, type Look, lookFacts, looks } from '../conditions/index.ts';
import { foundBehind, type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import { evidenceAt } from './evidence.ts';
import { type Proposal, seenOnly } from './finding.ts';

type VerdictOf = (id: string) => Verdict | null;

const at = (receptacles: readonly Receptacle[]): Pick<Proposal, 'receptacles' | 'evidence'> => ({
  receptacles: receptacles.map(({ id, name }) => ({ id, name })),
  evidence: receptacles.flatMap(evidenceAt),
});

/** What was seen without a tester, one finding a look. */
function fromLooks(all: readonly Receptacle[]): readonly Proposal[] {
  return looks.flatMap((look: Look): readonly Proposal[] => {
    const { name, urgency, why, correction } = lookFacts[look];
    const there = all.filter((one) => one.looks.includes(look));
    if (urgency === null || there.length === 0) return [];
    return [
      {
        ...seenOnly,
        key: `seen ${look}`,
        urgency,
        headline: name,
        what: 'Seen at the receptacle.',
        why,
        correction,
        ...at(there),
      },
    ];
  });
}

function fromDevices(all: readonly Receptacle[], verdictOf: VerdictOf): readonly Proposal[] {
  const gathered = new Map<string, Receptacle[]>();
  for (const one of all) {
    const latest = one.groundFaultTests.at(-1);
    if (latest === undefined) continue;
    const { words, isFinding } = groundFaultWords(latest, verdictOf(one.id));
    if (isFinding) gathered.set(words, [...(gathered.get(words) ?? []), one]);
  }
  const { what, why, correction, urgency } = conditions['protection-failed'];
  return [...gathered].map(([words, there]) => ({
    ...seenOnly,
    key: `device ${words}`,
    urgency: words === what ? (urgency ?? 'repair') : 'repair',
    headline: 'Ground-fault protection did not do what it should',
    what: words,
    why,
    correction,
    condition: 'protection-failed',
    ...at(there),
  }));
}

/** Devices last about so many years; 5 to 20 are met (common practice). */
const usualLife = 10;

function oldDevices(house: House): readonly Proposal[] {
  if (house.lastReadAt === null) return [];
  const now = Number(house.lastReadAt.slice(0, 4));
  const old = receptaclesOf(house).filter(
    ({ protection: { madeIn } }) => madeIn !== null && now - madeIn > usualLife,
  );
  if (old.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'device old',
      urgency: 'note',
      headline: `Ground-fault devices more than ${usualLife} years old`,
      what: 'The year stands on the device.',
      why: 'They wear out unseen: power stays on when they no longer protect.',
      correction: 'Press the device’s own button every month; have it replaced at the next occasion.',
      by: 'owner',
      ...at(old),
    },
  ];
}

/** A receptacle without a ground, protected by a device, needs both labels. */
function missingLabels(house: House, verdictOf: VerdictOf): readonly Proposal[] {
  const behindDevices = new Set(foundBehind(house).flatMap(({ dead }) => dead));
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
      ...seenOnly,
      key: 'labels missing',
      urgency: 'repair',
      headline: 'Labels missing',
      what: 'A receptacle protected from elsewhere is marked “GFCI Protected”; one without a ground is marked “No Equipment Ground” besides.',
      why: 'The next person takes it for grounded, or looks in vain for its reset.',
      correction: 'The labels are put on (NEC 406.4(D)(2), from memory; the local code decides).',
      by: 'owner',
      ...at(missing),
    },
  ];
}

/** Jumpers seen with the cover off: proof of what readings only suggest. */
function fromBoxes(all: readonly Receptacle[]): readonly Proposal[] {
  const jumpered = all.filter(({ coverOff }) => coverOff?.jumper === true);
  const pushedIn = all.filter(({ coverOff }) => coverOff?.pushIn === true);
  const { name, what, why, correction, urgency } = conditions['bootleg-ground'];
  const jumpers: readonly Proposal[] =
    jumpered.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'box jumper',
            urgency: urgency ?? 'repair',
            headline: `${name}, seen in the box`,
            what,
            why,
            correction,
            condition: 'bootleg-ground',
            ...at(jumpered),
          },
        ];
  const springs: readonly Proposal[] =
    pushedIn.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'box push-in',
            urgency: 'note',
            headline: 'Spring-clamp push-in terminals',
            what: 'Conductors are held by springs behind the receptacle, not under its screws.',
            why: 'They loosen with heat and handling. Many practitioners avoid them; listings allow them for 14 AWG, used once.',
            correction:
              'A licensed electrician moves the conductors under the screws when the box is open anyway.',
            condition: 'high-resistance',
            ...at(pushedIn),
          },
        ];
  return [...jumpers, ...springs];
}

/** All that was observed beside what testers showed. */
export function observedProposals(house: House, verdictOf: VerdictOf): readonly Proposal[] {
  const all = receptaclesOf(house);
  return [
    ...fromLooks(all),
    ...fromDevices(all, verdictOf),
    ...fromBoxes(all),
    ...missingLabels(house, verdictOf),
    ...oldDevices(house),
  ];
}
