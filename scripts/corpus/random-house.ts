import { assess } from '@fair-plug/core/assessment';
import { type Circuit, networkOf, runOf, simulate } from '@fair-plug/core/circuit';
import { causesOf, clash } from '@fair-plug/core/engine/model/cause.ts';
import { heldOf, proposalsFor } from '@fair-plug/core/findings';
import { type InstrumentId, lampStates, type Test } from '@fair-plug/core/instruments';
import {
  closeOutItems,
  conductorMetals,
  dangers,
  deviceMarkings,
  insulations,
  jacketMarks,
  looks,
  notReachedReasons,
  protectionLabels,
  receptacleTypes,
  urgencies,
  usualPractice,
} from '@fair-plug/core/knowledge';
import { foldHouse, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import { findingsOf, wordsIn } from '@fair-plug/core/words';
import { Random } from '../accuracy/random.ts';
import { judgedWhole } from './outcome.ts';

/*
 * Longer than other files: one generator draws a whole walk, and what it draws must not change when it is moved about,
 * for the same seed makes the same house for ever.
 */

/** A log as one house of the corpus has it, and what its inspector carries. */
export interface RandomHouse {
  readonly job: string;
  readonly kit: readonly InstrumentId[];
  readonly entries: readonly JobEntry[];
}

interface Receptacle {
  readonly id: string;
  readonly name: string;
}

const years = [1938, 1955, 1966, 1968, 1972, 1989, 2005, 2019] as const;
const roomNames = ['Den', 'Kitchen', 'Bath', 'Hall', 'Bedroom', 'Garage', 'Laundry', 'Porch'] as const;
const kits: readonly (readonly InstrumentId[])[] = [
  ['lamps'],
  ['lamps', 'meter'],
  ['lamps', 'probe'],
  ['lamps', 'meter', 'meter-low', 'probe'],
  ['lamps', 'meter', 'earth-meter', 'loaded', 'probe', 'gfci-button', 'own-button'],
];
/** What a receptacle is read with beside the lamps. */
const more = ['meter', 'meter-low', 'earth-meter', 'probe', 'loaded'] as const;

/**
 * A house with true wiring, read with now and then a slip, looked at, and decided on: the same for the same seed. One
 * long class, since all its steps draw from one source and count on from one clock and one id.
 */
class HouseMaker {
  private readonly random: Random;
  private readonly entries: JobEntry[] = [];
  private readonly kit: readonly InstrumentId[];
  private readonly receptacles: Receptacle[] = [];
  private ids = 0;
  private msecs = Date.UTC(2026, 4, 4, 9);

  constructor(private readonly seed: number) {
    this.random = new Random(seed);
    this.kit = this.random.pick(kits);
  }

  private id(): string {
    this.ids += 1;
    const house = this.seed.toString(16).padStart(4, '0');
    return `0190${house}-0000-7000-8000-${this.ids.toString(16).padStart(12, '0')}`;
  }

  private record(statement: JobStatement): string {
    const { random } = this;
    this.msecs += 1000 * (1 + random.whole(90));
    const id = this.id();
    const at = new Date(this.msecs).toISOString();
    const isOld = this.seed % 5 === 0;
    const clock = random.chance(0.1) ? { clock: `${at}~000${random.whole(10)}` } : { clock: `${at}~0000` };
    const person = random.whole(this.seed % 3 === 0 ? 2 : 1);
    const by = (first: string) => `01900000-0000-7000-8000-00000000000${first}`;
    this.entries.push({
      id,
      device: by(String(person)),
      author: by(String(person + 4)),
      at,
      ...(isOld ? {} : clock),
      ...statement,
    } as JobEntry);
    return id;
  }

  private maybe<T extends object>(probability: number, part: () => T): T | Record<string, never> {
    return this.random.chance(probability) ? part() : {};
  }

  make(): RandomHouse {
    this.describe();
    const runs = this.wire();
    for (const run of runs) this.walk(run);
    this.look();
    const before = this.decide();
    if (this.random.chance(0.4)) this.visitAgain(runs);
    if (this.random.chance(0.3)) this.changeMind(before);
    return { job: this.id(), kit: this.kit, entries: this.entries };
  }

  private describe(): void {
    const { random } = this;
    this.record({
      kind: 'job-described',
      ...this.maybe(0.9, () => ({ address: `${1 + random.whole(90)} Alder Rise`, client: 'Odile Farrant' })),
      ...this.maybe(0.85, () => ({ yearBuilt: random.pick(years) })),
      ...this.maybe(0.5, () => ({ groundedWiring: random.pick([true, false, null]) })),
      ...this.maybe(0.3, () => ({ region: random.pick(['north-america', 'uk'] as const) })),
      ...this.maybe(0.3, () => ({
        alterations: [{ year: random.pick([1989, 2004]), what: 'Kitchen redone' }],
      })),
      ...this.maybe(0.4, () => ({ breakerLeave: random.pick([true, false, null]), leaveFrom: 'the owner' })),
      ...this.maybe(0.3, () => ({ keepPowered: ['freezer', 'oxygen concentrator'].slice(random.whole(2)) })),
      ...this.maybe(0.3, () => ({ utilityOn: random.pick([true, false, null]) })),
      ...this.maybe(0.3, () => ({ breakersFoundOff: random.pick(['16, not labelled', null]) })),
      ...this.maybe(0.3, () => ({ devicesFoundTripped: random.pick(['the one in the garage', 'none']) })),
      ...this.maybe(0.3, () => ({ aluminumNearby: random.pick([true, false]) })),
      ...this.maybe(0.3, () => ({ storeys: 2, about: 'Split-level', present: 'the buyers' })),
    });
    const rooms: string[] = [];
    for (const name of roomNames.slice(0, 1 + random.whole(4))) {
      const room = this.id();
      rooms.push(room);
      const count = 1 + random.whole(5);
      this.record({
        kind: 'room-described',
        room,
        name,
        ...this.maybe(0.6, () => ({ expected: count + random.whole(2) })),
      });
      for (let number = 1; number <= count; number += 1) {
        const receptacle = { id: this.id(), name: `${name} ${number}` };
        this.receptacles.push(receptacle);
        this.record({
          kind: 'receptacle-described',
          receptacle: receptacle.id,
          room,
          name: receptacle.name,
          ...this.maybe(0.5, () => ({ type: random.pick(receptacleTypes) })),
          ...this.maybe(0.1, () => ({ adapter: true })),
          ...this.maybe(0.2, () => ({ spot: 0.25 })),
        });
      }
    }
    if (random.chance(0.3)) this.record({ kind: 'rooms-ordered', rooms: rooms.reverse() });
    if (random.chance(0.7))
      this.record({
        kind: 'tester-proved',
        instrument: random.pick(['lamps', 'meter', 'probe']),
        passed: random.chance(0.9),
      });
    if (random.chance(0.2)) this.record({ kind: 'plan-chosen', sample: random.pick([null, 5]) });
  }

  /** Runs of receptacles on true circuits; about half of them are put on their breaker. */
  private wire(): readonly { readonly at: readonly Receptacle[]; readonly circuit: Circuit }[] {
    const { random } = this;
    const runs: { at: readonly Receptacle[]; circuit: Circuit }[] = [];
    for (let first = 0; first < this.receptacles.length; ) {
      const at = this.receptacles.slice(first, first + 2 + random.whole(4));
      first += at.length;
      const ids = at.map(({ id }) => id);
      const sound: Circuit = {
        ...runOf(ids, {
          meters: { first: random.between(5, 25), next: random.between(2, 8) },
          ground: random.chance(0.75),
        }),
        ...(random.chance(0.25)
          ? {
              protection: [
                {
                  at: ids[0] ?? '',
                  kind: 'gfci',
                  covers: 'downstream',
                  state: random.pick(['set', 'tripped', 'failed']),
                },
              ],
            }
          : {}),
      } as Circuit;
      const causes = causesOf(networkOf(sound), {}, new Set()).filter(({ prior }) => prior !== 'short');
      const drawn = Array.from({ length: random.pick([0, 1, 1, 1, 2]) }, () => random.pick(causes));
      const [one, two] = drawn;
      const faults = (one && two && clash(one, two) ? [one] : drawn).flatMap((cause) => [...cause.faults]);
      const loads = random.chance(0.3)
        ? [{ at: random.pick(ids), watts: 20 + random.whole(200), on: true }]
        : [];
      runs.push({ at, circuit: { ...sound, faults, loads } });
      if (random.chance(0.5))
        at.forEach(({ id }, place) => {
          const known = random.chance(0.9) ? place + 1 : null;
          this.record({ kind: 'receptacle-fed', receptacle: id, breaker: String(runs.length), place: known });
        });
    }
    return runs;
  }

  private walk({ at, circuit }: { readonly at: readonly Receptacle[]; readonly circuit: Circuit }): void {
    const { random } = this;
    for (const { id } of at) {
      if (random.chance(0.08)) {
        this.record({ kind: 'not-reached', receptacle: id, reason: random.pick(notReachedReasons) });
        continue;
      }
      const tests = ['lamps', ...more.filter(() => random.chance(0.25))].map(
        (instrument) =>
          ({ at: id, instrument, ...(random.chance(0.1) ? { state: { loadsOff: true } } : {}) }) as Test,
      );
      for (const { at: _, ...shown } of simulate({ ...circuit, tests }).readings)
        this.read(id, shown as never);
      if (random.chance(0.12)) this.tryDevice(id);
    }
  }

  private read(receptacle: string, reading: Record<string, unknown> & { instrument: string }): void {
    const { random } = this;
    const { trippedBefore: _, ...shown } = reading;
    if (shown.instrument === 'lamps' && shown.state === undefined) {
      const { hn, hg, ng } = shown as unknown as Record<'hn' | 'hg' | 'ng', (typeof lampStates)[number]>;
      const slip = random.chance(0.04) ? { hn: random.pick(lampStates) } : {};
      this.record({ kind: 'lamps-read', receptacle, lamps: { hn, hg, ng, ...slip } });
      return;
    }
    const factor = random.between(0.995, 1.005);
    const noisy = Object.fromEntries(
      Object.entries(shown).map(([key, value]) => [
        key,
        typeof value === 'number' && key !== 'amps' ? Math.round(value * factor * 10) / 10 : value,
      ]),
    );
    this.record({
      kind: 'reading-taken',
      receptacle,
      shown: noisy as never,
      ...(shown.instrument === 'probe' ? this.maybe(0.3, () => ({ plateScrew: random.chance(0.2) })) : {}),
    });
  }

  private tryDevice(receptacle: string): void {
    const { random } = this;
    const result = random.pick(['tripped', 'tripped', 'no-trip', 'power-stays-on', 'no-power'] as const);
    this.record({
      kind: 'ground-fault-tested',
      receptacle,
      by: random.pick(['tester-button', 'own-button']),
      result,
      ...this.maybe(0.5, () => ({ heldSeconds: random.pick([0.4, 6]) })),
    });
    if (result === 'tripped') {
      const dead = this.receptacles.filter(() => random.chance(0.2)).map(({ id }) => id);
      this.record({
        kind: 'went-dead',
        by: { kind: 'device', receptacle },
        dead,
        powerBack: random.chance(0.8),
      });
    }
    if (random.chance(0.6))
      this.record({
        kind: 'protection-noted',
        receptacle,
        ...this.maybe(0.7, () => ({ labels: protectionLabels.filter(() => random.chance(0.5)) })),
        ...this.maybe(0.4, () => ({ resetAt: random.pick(['Garage 1', null]) })),
        ...this.maybe(0.3, () => ({ lockedOut: random.chance(0.5) })),
        ...this.maybe(0.3, () => ({ madeIn: random.pick([null, 1998, 2014]) })),
      });
  }

  private look(): void {
    const { random } = this;
    for (const { id: receptacle } of this.receptacles) {
      if (random.chance(0.12))
        this.record({ kind: 'look-noted', receptacle, look: random.pick(looks), seen: random.chance(0.9) });
      if (random.chance(0.1))
        this.record({
          kind: 'cover-off',
          receptacle,
          provedDead: true,
          ...this.maybe(0.7, () => ({ metal: random.pick(conductorMetals) })),
          ...this.maybe(0.3, () => ({ jacket: random.pick(jacketMarks) })),
          ...this.maybe(0.5, () => ({
            awg: random.pick([10, 12, 14]),
            breakerAmps: random.pick([15, 20, 30]),
          })),
          ...this.maybe(0.4, () => ({ insulation: random.pick(insulations) })),
          ...this.maybe(0.3, () => ({ jumper: random.chance(0.5) })),
          ...this.maybe(0.3, () => ({ pushIn: random.chance(0.5) })),
          ...this.maybe(0.3, () => ({ marking: random.pick(deviceMarkings) })),
        });
      if (random.chance(0.06))
        this.record({ kind: 'people-warned', receptacle, danger: random.pick(dangers) });
      if (random.chance(0.1)) this.record({ kind: 'noted', receptacle, text: 'Behind the shelf' });
    }
    if (random.chance(0.2)) {
      const dead = this.receptacles.filter(() => random.chance(0.4)).map(({ id }) => id);
      this.record({
        kind: 'went-dead',
        by: { kind: 'breaker', breaker: '1' },
        dead,
        powerBack: random.chance(0.8),
      });
    }
    const [one, other] = [random.pick(this.receptacles), random.pick(this.receptacles)];
    if (random.chance(0.15) && one !== other)
      this.record({ kind: 'receptacle-merged', receptacle: one.id, into: other.id });
    if (random.chance(0.15)) {
      const described = this.entries.find(
        (entry) => entry.kind === 'receptacle-described' && entry.receptacle === one.id,
      );
      if (described?.kind === 'receptacle-described') {
        const half = this.id();
        this.record({
          kind: 'receptacle-described',
          receptacle: half,
          room: described.room,
          name: `${one.name} lower`,
          halfOf: one.id,
        });
        this.record({
          kind: 'lamps-read',
          receptacle: half,
          lamps: { hn: random.pick(lampStates), hg: 'off', ng: 'off' },
        });
      }
    }
    if (random.chance(0.3)) this.record({ kind: 'withdrawn', entries: [random.pick(this.entries).id] });
    for (const item of closeOutItems)
      if (random.chance(0.3)) this.record({ kind: 'left-as-found', item, done: random.chance(0.9) });
  }

  /** Some of what is proposed is taken over, refused, worded, split, merged and ordered. */
  private decide(): readonly string[] {
    const { random } = this;
    const house = foldHouse(this.entries);
    const proposals = proposalsFor(
      assess(house, judgedWhole(house, this.kit)),
      usualPractice,
      wordsIn(house.region),
    );
    const keys = proposals.map(({ key }) => key);
    for (const proposal of proposals) {
      const finding = proposal.key;
      const how = random.next();
      if (how < 0.35)
        this.record({ kind: 'finding-decided', finding, decision: 'accepted', held: heldOf(proposal) });
      else if (how < 0.45)
        this.record({
          kind: 'finding-decided',
          finding,
          decision: 'refused',
          reason: 'Put right meanwhile',
          held: heldOf(proposal),
        });
      if (random.chance(0.12))
        this.record({
          kind: 'finding-edited',
          finding,
          ...this.maybe(0.5, () => ({ headline: 'Words of my own', why: null })),
          ...this.maybe(0.5, () => ({ urgency: random.pick(urgencies), note: 'Seen by two' })),
        });
      const [first, ...rest] = proposal.receptacles;
      if (first && rest.length > 0 && random.chance(0.15))
        this.record({ kind: 'finding-split', finding, part: `own ${this.id()}`, receptacles: [first.id] });
      if (random.chance(0.08)) this.record({ kind: 'finding-merged', finding, into: random.pick(keys) });
    }
    if (random.chance(0.2))
      this.record({
        kind: 'finding-added',
        finding: `own ${this.id()}`,
        urgency: random.pick(urgencies),
        headline: 'Cord under a rug',
        what: 'An extension cord runs under the rug.',
        why: 'It may overheat unseen.',
        correction: 'Take it away.',
        by: 'owner',
        receptacles: [random.pick(this.receptacles).id],
      });
    if (keys.length > 1 && random.chance(0.25))
      this.record({ kind: 'findings-ordered', findings: [...keys].reverse() });
    if (random.chance(0.2))
      this.record({
        kind: 'signed',
        role: random.pick(['inspector', 'client']),
        name: 'Tessa Quillon',
        strokes: [[0, 0, 10, 20]],
      });
    return keys;
  }

  /** What is read after findings were decided on: the same again, or put right. */
  private visitAgain(
    runs: readonly { readonly at: readonly Receptacle[]; readonly circuit: Circuit }[],
  ): void {
    const { random } = this;
    const { at, circuit } = random.pick(runs);
    this.walk({ at, circuit: random.chance(0.5) ? circuit : { ...circuit, faults: [] } });
  }

  private changeMind(keys: readonly string[]): void {
    const { random } = this;
    const house = foldHouse(this.entries);
    const decided = findingsOf(assess(house, judgedWhole(house, this.kit)), usualPractice);
    const finding = decided.length === 0 ? keys[0] : random.pick(decided).key;
    if (finding === undefined) return;
    this.record(
      random.chance(0.5)
        ? { kind: 'finding-decided', finding, decision: 'open' }
        : { kind: 'finding-merged', finding, into: null },
    );
  }
}

export const randomHouse = (seed: number): RandomHouse => new HouseMaker(seed).make();
