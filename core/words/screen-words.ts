import type { HazardId } from '../assessment/index.ts';
import type { Contact, Pair } from '../instruments/index.ts';
import type { TestKind } from '../knowledge/index.ts';

/** What screens and papers say themselves, where it differs from region to region. */
export interface ScreenWords {
  readonly contacts: Readonly<Record<Contact, string>>;
  readonly pairs: Readonly<Record<Pair, string>>;
  /** Where each contact is, for one who holds a probe to it. */
  readonly probed: Readonly<Record<Contact, string>>;
  readonly settle: Readonly<Record<TestKind, string>>;
  /** "1 receptacle", "2 receptacles" */
  readonly receptacles: (count: number) => string;
  readonly receptacle: string;
  readonly receptaclesTitle: string;
  readonly walk: {
    readonly groundFaultTest: string;
    /** Why an instrument is not used as things stand. */
    readonly hazards: Readonly<Record<HazardId, string>>;
    /** Names of the sheets. */
    readonly panel: string;
    readonly aluminum: string;
    readonly changeLamps: string;
    readonly previousNext: string;
    readonly add: string;
    readonly roundTheRoom: string;
    /** What the triangle and the room’s plan are, to whoever sees them first. */
    readonly triangleIs: string;
    readonly planIs: string;
    /** Where a receptacle reads correct that read as this before. */
    readonly readBefore: (condition: string) => string;
    readonly testersAgain: string;
    readonly allRead: string;
    readonly nothingHere: string;
    readonly adapter: string;
    readonly sliders: string;
    readonly jumper: string;
    readonly whichAreDead: string;
    readonly lostServiceNeutral: string;
  };
  readonly prepare: {
    readonly grounds: string;
    readonly aluminumNearby: string;
    /** Before "108 to 126 V". */
    readonly shouldRead: string;
    readonly expectedIn: (room: string) => string;
    readonly noRooms: string;
    readonly inSample: string;
    readonly devicesBesides: string;
    readonly listTitle: (file: string | null) => string;
    readonly sayColumns: string;
    readonly tryEach: string;
  };
  readonly findings: {
    readonly splitOff: string;
    readonly toSplitOff: string;
    readonly refusedAt: string;
    readonly looksAtIt: string;
    readonly explainsAll: string;
    readonly howManyCauses: (count: number) => string;
    readonly remediesFor: string;
    readonly remediesNote: (reference: string) => string;
  };
  readonly report: {
    readonly documentTitle: (address: string) => string;
    /** Before the names of those whose power a device cuts. */
    readonly deviceCuts: (device: string) => string;
    readonly tested: (tested: number, expected: number) => string;
    readonly devicesBesides: (sample: number) => string;
    readonly notOnTheList: string;
    readonly codeDecides: string;
    readonly authorityDecides: string;
    readonly badInTheHouse: string;
  };
}
