import type { Test, TestState } from '../instruments/index.ts';
import type { Conductor, Leg } from '../physics/index.ts';
import type { Circuit } from './index.ts';

/**
 * The electrical model once more, the obvious way and sharing nothing with the solver: nodes by name, one
 * dense complex nodal matrix for every single question, Gauss with pivoting. For tests only, and longer than
 * other files because it shares nothing, not even with itself.
 */

type Branch = readonly [a: string, b: string, re: number, im: number];
type Complex = readonly [re: number, im: number];

const rho = { copper: 1.7241e-8, aluminum: 2.826e-8, 'copper-clad-aluminum': 2.74e-8 };
const alpha = { copper: 0.00393, aluminum: 0.00403, 'copper-clad-aluminum': 0.00403 };

export interface TwinState {
  readonly state?: TestState | undefined;
  readonly tripped: readonly string[];
  /** Sources at rest (their resistance stays). */
  readonly supplyDead?: boolean;
}

const legsBeyond = (circuit: Circuit, outlet: string, seen: readonly string[] = []): readonly Leg[] => {
  if (seen.includes(outlet)) return [];
  const own = circuit.outlets.filter((one) => one.id === outlet).map((one) => one.leg);
  const further = circuit.cables
    .filter((cable) => cable.from === outlet)
    .flatMap((cable) => legsBeyond(circuit, cable.to, [...seen, outlet]));
  return [...own, ...further];
};

// biome-ignore lint/complexity/noExcessiveLinesPerFunction: every branch of the model in one list, to be read beside the standard from top to bottom.
function branchesOf(circuit: Circuit, { state, tripped }: TwinState): Branch[] {
  const branches: Branch[] = [];
  const r = (a: string, b: string, ohms: number) => branches.push([a, b, 1 / ohms, 0]);
  const c = (a: string, b: string, farads: number) =>
    branches.push([a, b, 0, 2 * Math.PI * circuit.hertz * farads]);
  const leak = (node: string) => r(node, 'earth', 1e9);
  const deviceAt = (outlet: string) => circuit.protection.find((device) => device.at === outlet);

  for (const leg of ['L1', 'L2']) {
    leak(`panel ${leg}`);
    if (circuit.breaker.on && !state?.breakerOff) r(`source ${leg}`, `panel ${leg}`, circuit.sourceOhms);
  }
  for (const cable of circuit.cables) {
    const legs = [...new Set(legsBeyond(circuit, cable.to))].sort();
    const wires = [...legs, 'neutral', ...(cable.ground ? ['ground'] : [])];
    const from = circuit.outlets.find((outlet) => outlet.id === cable.from);
    const start = (wire: string): string => {
      if (from === undefined) return wire.startsWith('L') ? `panel ${wire}` : 'earth';
      const ownHot = wire === from.leg;
      if (from.wiring === 'through' && (ownHot || !wire.startsWith('L')))
        return `${from.id} contact ${ownHot ? 'hot' : wire}`;
      const covered = deviceAt(from.id)?.covers === 'downstream' && wire !== 'ground';
      return `${from.id} ${covered ? 'protected' : 'splice'} ${wire}`;
    };
    const faults = circuit.faults.filter((fault) => fault.kind !== 'bond' && fault.cable === cable.id);
    const named = (conductor: Conductor, leg: Leg | undefined): string[] =>
      conductor !== 'hot' ? [conductor] : leg ? [leg] : [...legs];
    const end = new Map(['L1', 'L2', 'neutral', 'ground'].map((wire) => [wire, wire]));
    for (const fault of faults)
      if (fault.kind === 'swap') {
        const [a, b] = fault.conductors.map((one) => named(one, fault.leg ?? legs[0])[0] ?? '') as [
          string,
          string,
        ];
        const [endA, endB] = [end.get(a) ?? '', end.get(b) ?? ''];
        end.set(a, endB);
        end.set(b, endA);
      }
    for (const wire of wires) {
      const mine = faults.filter(
        (fault) =>
          (fault.kind === 'open' || fault.kind === 'resistance') &&
          named(fault.conductor, fault.leg).includes(wire),
      );
      if (mine.some((fault) => fault.kind === 'open')) continue;
      const area = cable.mm2
        ? cable.mm2 * 1e-6
        : (Math.PI / 4) * (0.127e-3 * 92 ** ((36 - (cable.awg ?? 0)) / 39)) ** 2;
      const run =
        (rho[cable.metal] * (1 + alpha[cable.metal] * (circuit.celsius - 20)) * cable.meters) / area;
      const extra = mine.reduce((sum, fault) => sum + (fault.kind === 'resistance' ? fault.ohms : 0), 0);
      r(start(wire), `${cable.to} splice ${end.get(wire)}`, run + extra);
    }
    const hot = `${cable.to} splice ${legs[0]}`;
    c(hot, `${cable.to} splice neutral`, 30e-12 * cable.meters);
    if (cable.ground) {
      c(hot, `${cable.to} splice ground`, 60e-12 * cable.meters);
      c(`${cable.to} splice neutral`, `${cable.to} splice ground`, 60e-12 * cable.meters);
    }
  }
  for (const outlet of circuit.outlets) {
    const legs = [...new Set(legsBeyond(circuit, outlet.id))];
    const device = deviceAt(outlet.id);
    for (const wire of [...legs, 'neutral', 'ground']) leak(`${outlet.id} splice ${wire}`);
    for (const contact of ['hot', 'neutral', 'ground']) leak(`${outlet.id} contact ${contact}`);
    const poles = device?.covers === 'downstream' ? [...legs, 'neutral'] : [outlet.leg, 'neutral'];
    if (device !== undefined)
      for (const pole of poles) {
        leak(`${outlet.id} protected ${pole}`);
        const isTripped = tripped.includes(outlet.id) || state?.tripped?.includes(outlet.id);
        const closed =
          !isTripped &&
          (device.state === 'set' ||
            device.state === 'failed' ||
            (device.state === 'lockedOut' && device.leaves === 'hot' && pole !== 'neutral'));
        if (closed) r(`${outlet.id} splice ${pole}`, `${outlet.id} protected ${pole}`, 1e-4);
      }
    const faults = circuit.faults.filter((fault) => fault.at === outlet.id);
    const end = new Map<string, string>([
      ['hot', 'hot'],
      ['neutral', 'neutral'],
      ['ground', 'ground'],
    ]);
    for (const fault of faults)
      if (fault.kind === 'swap') {
        const [a, b] = fault.conductors;
        const [endA, endB] = [end.get(a) ?? '', end.get(b) ?? ''];
        end.set(a, endB);
        end.set(b, endA);
      }
    for (const conductor of ['hot', 'neutral', 'ground'] as const) {
      const wire = conductor === 'hot' ? outlet.leg : conductor;
      const inner = device !== undefined && conductor !== 'ground' ? 'protected' : 'splice';
      const mine = faults.filter(
        (fault) => (fault.kind === 'open' || fault.kind === 'resistance') && fault.conductor === conductor,
      );
      if (mine.some((fault) => fault.kind === 'open')) continue;
      const extra = mine.reduce((sum, fault) => sum + (fault.kind === 'resistance' ? fault.ohms : 0), 0);
      r(`${outlet.id} ${inner} ${wire}`, `${outlet.id} contact ${end.get(conductor)}`, 2e-3 + extra);
    }
    for (const fault of faults)
      if (fault.kind === 'bond') {
        const side = (conductor: Conductor): string =>
          fault.side === 'line'
            ? `${outlet.id} splice ${conductor === 'hot' ? outlet.leg : conductor}`
            : `${outlet.id} contact ${conductor}`;
        r(side(fault.conductors[0]), side(fault.conductors[1]), 10e-3);
      }
  }
  for (const load of circuit.loads)
    if (load.on && !state?.loadsOff)
      r(`${load.at} contact hot`, `${load.at} contact neutral`, circuit.nominalVolts ** 2 / load.watts);
  return branches;
}

type VoltsOf = (node: string) => Complex;
const answered = new WeakMap<Circuit, Map<string, VoltsOf>>();

/** Potentials of all nodes, by name. `drive` puts one ampere into a node, with the sources at rest. */
export function twinVolts(
  circuit: Circuit,
  how: TwinState,
  instrument: readonly Branch[] = [],
  drive?: string,
): VoltsOf {
  const known = answered.get(circuit) ?? new Map<string, VoltsOf>();
  answered.set(circuit, known);
  const question = JSON.stringify([how, instrument, drive]);
  const volts = known.get(question) ?? computeVolts(circuit, how, instrument, drive);
  known.set(question, volts);
  return volts;
}

function computeVolts(
  circuit: Circuit,
  how: TwinState,
  instrument: readonly Branch[],
  drive: string | undefined,
): VoltsOf {
  const supply = drive ? 0 : circuit.nominalVolts;
  const angle = (Math.PI * (circuit.degreesApart ?? 180)) / 180;
  const known = new Map<string, Complex>([
    ['earth', [0, 0]],
    ['source L1', [supply, 0]],
    ['source L2', [supply * Math.cos(angle), supply * Math.sin(angle)]],
  ]);
  const branches = [...branchesOf(circuit, how), ...instrument];
  const names = [...new Set(branches.map(([a]) => a).concat(branches.map(([, b]) => b)))].filter(
    (node) => !known.has(node),
  );
  const index = new Map(names.map((node, position) => [node, position]));
  const n = names.length;
  const matrix = { re: new Float64Array(n * n), im: new Float64Array(n * n) };
  for (const [a, b, re, im] of branches)
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const row = index.get(one);
      const column = index.get(other);
      if (row === undefined) continue;
      add(matrix, row * n + row, re, im);
      if (column !== undefined) add(matrix, row * n + column, -re, -im);
    }
  const factors = factored(matrix, n);
  const volts = new Map<string, [number, number]>(names.map((node) => [node, [0, 0]]));
  const at = (node: string): Complex => volts.get(node) ?? known.get(node) ?? [0, 0];
  // Refined by what still flows into each node, summed branch by branch: the diagonal of a nodal matrix drowns
  // a leak of a nanosiemens beside a pole of ten kilosiemens.
  for (let round = 0; round < 4; round += 1) {
    const into = names.map((node): [number, number] => [node === drive ? 1 : 0, 0]);
    for (const [a, b, re, im] of branches) {
      const [aRe, aIm] = at(a);
      const [bRe, bIm] = at(b);
      const [dRe, dIm] = [bRe - aRe, bIm - aIm];
      const [ampsRe, ampsIm] = [re * dRe - im * dIm, re * dIm + im * dRe];
      for (const [node, sign] of [
        [a, 1],
        [b, -1],
      ] as const) {
        const sum = into[index.get(node) ?? -1];
        if (sum === undefined) continue;
        sum[0] += sign * ampsRe;
        sum[1] += sign * ampsIm;
      }
    }
    const step = solve(factors, into);
    names.forEach((node, row) => {
      const sum = volts.get(node) ?? [0, 0];
      sum[0] += step[row]?.[0] ?? 0;
      sum[1] += step[row]?.[1] ?? 0;
    });
  }
  return at;
}

interface Matrix {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

function add({ re, im }: Matrix, cell: number, byRe: number, byIm: number): void {
  re[cell] = (re[cell] ?? 0) + byRe;
  im[cell] = (im[cell] ?? 0) + byIm;
}

interface Factors {
  /** Rows in the order of their pivots; the factors of the elimination stand below the diagonal. */
  readonly re: readonly Float64Array[];
  readonly im: readonly Float64Array[];
  /** Which row of the matrix each of them was. */
  readonly from: readonly number[];
}

/** Gauss's elimination with row pivoting. */
function factored(matrix: Matrix, n: number): Factors {
  const rows = Array.from({ length: n }, (_, row) => ({
    re: matrix.re.slice(row * n, row * n + n),
    im: matrix.im.slice(row * n, row * n + n),
    from: row,
  }));
  const size = (row: number, k: number): number => Math.hypot(rows[row]?.re[k] ?? 0, rows[row]?.im[k] ?? 0);
  for (let k = 0; k < n; k += 1) {
    let best = k;
    for (let row = k + 1; row < n; row += 1) if (size(row, k) > size(best, k)) best = row;
    const [chosen] = rows.splice(best, 1);
    if (chosen === undefined) break;
    rows.splice(k, 0, chosen);
    const { re: pRe, im: pIm } = chosen;
    const [dRe, dIm] = [pRe[k] as number, pIm[k] as number];
    const square = dRe * dRe + dIm * dIm;
    const filled = Array.from(pRe.keys()).filter(
      (column) => column > k && (pRe[column] !== 0 || pIm[column] !== 0),
    );
    for (const { re, im } of rows.slice(k + 1)) {
      const [aRe, aIm] = [re[k] as number, im[k] as number];
      if (aRe === 0 && aIm === 0) continue;
      const [fRe, fIm] = [(aRe * dRe + aIm * dIm) / square, (aIm * dRe - aRe * dIm) / square];
      re[k] = fRe;
      im[k] = fIm;
      for (const column of filled) {
        const [bRe, bIm] = [pRe[column] as number, pIm[column] as number];
        re[column] = (re[column] as number) - (fRe * bRe - fIm * bIm);
        im[column] = (im[column] as number) - (fRe * bIm + fIm * bRe);
      }
    }
  }
  return { re: rows.map(({ re }) => re), im: rows.map(({ im }) => im), from: rows.map(({ from }) => from) };
}

/** What the factored matrix has to be multiplied with to give `right`. */
function solve({ re, im, from }: Factors, right: readonly Complex[]): readonly Complex[] {
  const n = from.length;
  const found = from.map((row): [number, number] => [right[row]?.[0] ?? 0, right[row]?.[1] ?? 0]);
  const take = (row: number, column: number): void => {
    const [yRe, yIm] = [re[row]?.[column] ?? 0, im[row]?.[column] ?? 0];
    if (yRe === 0 && yIm === 0) return;
    const target = found[row] as [number, number];
    const [xRe, xIm] = found[column] as [number, number];
    target[0] -= yRe * xRe - yIm * xIm;
    target[1] -= yRe * xIm + yIm * xRe;
  };
  for (let row = 0; row < n; row += 1) for (let column = 0; column < row; column += 1) take(row, column);
  for (let row = n - 1; row >= 0; row -= 1) {
    for (let column = row + 1; column < n; column += 1) take(row, column);
    const [xRe, xIm] = found[row] as [number, number];
    const [dRe, dIm] = [re[row]?.[row] ?? 0, im[row]?.[row] ?? 0];
    const square = dRe * dRe + dIm * dIm;
    found[row] = [(xRe * dRe + xIm * dIm) / square, (xIm * dRe - xRe * dIm) / square];
  }
  return found;
}

/** Ids of the devices that trip by themselves, one after another, nearest to the panel first. */
export function twinTripped(circuit: Circuit, state?: TestState): readonly string[] {
  const depth = (outlet: string): number => {
    const fromPanel = (name: string): number =>
      Math.min(
        ...circuit.cables
          .filter((cable) => cable.to === name)
          .map((cable) => (cable.from === 'panel' ? 1 : 1 + fromPanel(cable.from))),
      );
    return fromPanel(outlet);
  };
  const candidates = circuit.protection
    .filter((device) => device.state === 'set' && !state?.tripped?.includes(device.at))
    .toSorted((a, b) => depth(a.at) - depth(b.at));
  const tripped: string[] = [];
  for (;;) {
    const next = candidates.find((device) => {
      if (tripped.includes(device.at)) return false;
      const threshold = (device.tripMilliamps ?? (device.kind === 'gfci' ? 5 : 30)) / 1000;
      if (twinImbalance(circuit, { state, tripped }, device.at) >= threshold) return true;
      if (device.kind !== 'gfci') return false;
      const neutral = `${device.at} protected neutral`;
      return twinVolts(circuit, { state, tripped: [...tripped, device.at] }, [], neutral)(neutral)[0] < 2;
    });
    if (next === undefined) return tripped;
    tripped.push(next.at);
  }
}

export function twinImbalance(
  circuit: Circuit,
  how: TwinState,
  at: string,
  instrument: readonly Branch[] = [],
): number {
  const volts = twinVolts(circuit, how, instrument);
  const device = circuit.protection.find((one) => one.at === at);
  const outlet = circuit.outlets.find((one) => one.id === at);
  const legs =
    device?.covers === 'downstream' ? [...new Set(legsBeyond(circuit, at))] : [outlet?.leg ?? 'L1'];
  let [re, im] = [0, 0];
  for (const pole of [...legs, 'neutral']) {
    const [lineRe, lineIm] = volts(`${at} splice ${pole}`);
    const [loadRe, loadIm] = volts(`${at} protected ${pole}`);
    re += (lineRe - loadRe) / 1e-4;
    im += (lineIm - loadIm) / 1e-4;
  }
  return Math.hypot(re, im);
}

/** Volts that a test's instrument reads between two contacts, or (second null) from one to earth. */
export function twinReads(
  circuit: Circuit,
  how: TwinState,
  test: Test,
  first: Conductor,
  second: Conductor | null,
): number {
  const contact = (conductor: Conductor | null): string =>
    conductor === null ? 'earth' : `${test.at} contact ${conductor}`;
  const branch = (a: Conductor, b: Conductor | null, ohms: number): Branch => [
    contact(a),
    contact(b),
    1 / ohms,
    0,
  ];
  const load = (ohms: number): Branch => branch('hot', 'neutral', ohms);
  const plugged: Readonly<Record<Test['instrument'], () => readonly Branch[]>> = {
    lamps: () => [
      branch('hot', 'neutral', 1e5),
      branch('hot', 'ground', 1e5),
      branch('neutral', 'ground', 1e5),
    ],
    meter: () => [branch(first, second, 10e6)],
    'meter-low': () => [branch(first, second, 3e3)],
    'earth-meter': () => [branch(first, null, 10e6)],
    probe: () => [],
    loaded: () => [
      load(circuit.nominalVolts / (test.instrument === 'loaded' ? (test.amps ?? 12) : 12)),
      branch(first, second, 10e6),
    ],
    'gfci-button': () => [branch('hot', 'ground', circuit.nominalVolts / 8e-3)],
    'own-button': () => [],
  };
  const volts = twinVolts(circuit, how, plugged[test.instrument]());
  const [aRe, aIm] = volts(contact(first));
  const [bRe, bIm] = volts(contact(second));
  return Math.hypot(aRe - bRe, aIm - bIm);
}
