import type { ReferenceId } from './references.ts';

/** Accepted where its conditions hold; for a time only; or never, however often it is met. */
export type Standing = 'accepted' | 'temporary' | 'not-accepted';

/** One way to put a condition right, or to live with it. */
export interface Way {
  readonly name: string;
  readonly standing: Standing;
  /** Where it may be chosen. */
  readonly when: string;
  /** What stays unsafe or missing after it; null: nothing. */
  readonly leaves: string | null;
  readonly by: Worker;
  /** What must be put on the receptacle or its plate. */
  readonly labels: readonly string[];
  readonly references: readonly ReferenceId[];
}

/** Who may do the work. */
export const workers = {
  electrician: 'licensed electrician',
  'trained-installer': 'licensed electrician trained and equipped for the connector system',
  utility: 'the utility',
  owner: 'anyone',
} as const;
export type Worker = keyof typeof workers;

const electrician = { standing: 'accepted', leaves: null, by: 'electrician', labels: [] } as const;
const never = { ...electrician, standing: 'not-accepted', references: [] } as const;

export const ways = {
  'own-terminals': {
    ...electrician,
    name: 'Conductors moved to their own terminals',
    when: 'The exchange sits at this box; hot was found by meter against a proven ground, not by colour.',
    references: ['nec-200.10', 'nec-200.11'],
  },
  'first-exchange': {
    ...electrician,
    name: 'The first exchange upstream undone',
    when: 'Everything beyond one point shows the same: one exchange at a box or splice, or at the panel.',
    references: ['nec-200.11'],
  },
  'remake-connection': {
    ...electrician,
    name: 'The connection found and made anew',
    when: 'A wire is loose, burned or broken at a terminal or splice; cut back to sound metal first.',
    references: ['nec-110.14'],
  },
  'splice-and-pigtail': {
    ...electrician,
    name: 'Cables spliced in the box, the device on a pigtail',
    when: 'The receptacle carries the circuit onward through its own terminals; required of a shared neutral.',
    references: ['nec-300.13', 'nec-110.14'],
  },
  'restore-ground': {
    ...electrician,
    name: 'The loose ground joined again',
    when: 'The house was wired with grounds: a wire came off, was cut or was left out here or upstream.',
    references: ['nec-250.148'],
  },
  'run-ground': {
    ...electrician,
    name: 'A ground run to an accepted point',
    when: 'The circuit has no ground and one can be brought from where the code lets it end.',
    references: ['nec-250.130', 'nec-406.4-d3'],
  },
  'new-cable': {
    ...electrician,
    name: 'New cable with a ground',
    when: 'Always; the surest and the dearest.',
    references: ['nec-406.4-d3'],
  },
  'protection-without-ground': {
    ...electrician,
    name: 'Ground-fault protection in place of a ground',
    when: 'No ground is there: a ground-fault receptacle here, a device upstream or a breaker. No ground wire is run between the receptacles behind it.',
    leaves:
      'It protects people, not electronics, and surge protection has nothing to work against. A tester’s button will not trip it: only the device’s own button counts.',
    labels: ['No Equipment Ground', 'GFCI Protected, where the device is elsewhere'],
    references: ['nec-406.4-d2'],
  },
  'two-slot': {
    ...electrician,
    name: 'A two-slot receptacle kept or put back',
    when: 'No ground is there and none is needed.',
    leaves: 'Nothing with three prongs can be plugged in, and a fault in a metal case is not carried away.',
    references: ['nec-406.4-d2'],
  },
  'verified-adapter': {
    name: 'A three-to-two adapter',
    standing: 'temporary',
    when: 'Plate screw, yoke, metal box and raceway were found joined to ground by meter.',
    leaves: 'Without that path, and always in a plastic box, it grounds nothing while it looks as if it did.',
    by: 'owner',
    labels: [],
    references: [],
  },
  'three-slot-without-ground': {
    ...never,
    name: 'A three-slot receptacle without a ground',
    when: 'Never without protection and labels: it promises a ground that is not there.',
    leaves: 'The next owner plugs in what needs a ground.',
  },
  'jumper-to-neutral': {
    ...never,
    name: 'A jumper from neutral to ground',
    when: 'Never at a receptacle.',
    leaves: 'If the neutral opens upstream, every metal case plugged in becomes live.',
    references: ['nec-250.142'],
  },
  'remove-jumper': {
    ...electrician,
    name: 'The jumper taken out, and the missing ground dealt with',
    when: 'A jumper is in this box or upstream. Once it is out the receptacle reads open ground: one of the ways for that follows.',
    references: ['nec-250.142'],
  },
  'separate-neutral-and-ground': {
    ...electrician,
    name: 'Neutral and ground taken apart',
    when: 'They touch in a box or at a device: a bare ground against a neutral screw, a pinched wire.',
    references: ['nec-250.142'],
  },
  'free-the-ground': {
    ...electrician,
    name: 'What makes the ground live found and taken off it',
    when: 'Power stays off until it is done. The ground is checked back to the panel afterwards.',
    references: ['nec-250.148'],
  },
  'repair-shared-neutral': {
    ...electrician,
    name: 'The shared neutral made whole',
    when: 'Power off on both legs until then; equipment on them is looked at before it is used again.',
    references: ['nec-300.13'],
  },
  'utility-neutral': {
    ...electrician,
    name: 'The service neutral made whole',
    when: 'Volts are high on one leg and low on the other all over the house.',
    by: 'utility',
    references: [],
  },
  'restore-power': {
    ...electrician,
    name: 'The way back to the breaker followed until power is found',
    when: 'Breaker, device upstream and switch were looked at and are not it.',
    references: ['nec-110.14'],
  },
  'reset-device': {
    ...electrician,
    name: 'The device reset',
    when: 'It tripped and why is known: tested, or a fault that was put right.',
    leaves: 'What tripped it, where nobody knows.',
    by: 'owner',
    references: [],
  },
  'replace-protection': {
    ...electrician,
    name: 'The device replaced',
    when: 'It does not trip by its own button, does not reset with power at its line side, or is at the end of its life.',
    references: ['ul-943', 'nec-406.4-d3'],
  },
  'replace-receptacle': {
    ...electrician,
    name: 'The receptacle replaced and its connections looked at',
    when: 'It is scorched, broken, loose, painted shut or worn.',
    references: ['nec-406.4-d3'],
  },
  'shorter-or-fatter': {
    ...electrician,
    name: 'A shorter run or a fatter conductor',
    when: 'The drop grows evenly along the run and no connection is to blame.',
    references: ['nec-210.19'],
  },
  'smaller-breaker': {
    ...electrician,
    name: 'The breaker matched to the conductor',
    when: 'The conductor is smaller than the breaker allows.',
    references: ['nec-240.4'],
  },
} as const satisfies Readonly<Record<string, Way>>;

export type WayId = keyof typeof ways;
