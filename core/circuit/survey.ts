import {
  benchFor,
  type Lamps,
  settleProtection,
  show,
  type Test,
  type WholeReading,
} from '../instruments/index.ts';
import {
  absent,
  type Conductor,
  conductors,
  operationOf,
  Solver,
  type Wire,
  wires,
} from '../physics/index.ts';
import type { Circuit } from './circuit-file.ts';
import { networkOf } from './network.ts';

/** Below so many ohms to earth or to a source something holds a contact at its potential; above, it floats. */
const holdingOhms = 50e3;

export interface ContactSurvey {
  /** Against earth, nothing plugged in. */
  readonly volts: number;
  readonly held: boolean;
}

export interface OutletSurvey {
  readonly id: string;
  readonly lamps: Lamps;
  readonly contacts: Readonly<Record<Conductor, ContactSurvey>>;
  /** Where the cable arrives; without the wires that do not come here. */
  readonly splices: Readonly<Partial<Record<Wire, ContactSurvey>>>;
}

export interface Survey {
  readonly outlets: readonly OutletSurvey[];
  /** Outlets whose protection tripped by itself. */
  readonly trippedBefore: readonly string[];
  readonly reading: WholeReading;
}

/** The whole circuit at one glance, and what one instrument shows at one of its outlets. */
export function surveyOf(circuit: Circuit, test: Test): Survey {
  const solver = new Solver(networkOf(circuit));
  const settled = settleProtection(solver, operationOf(solver.network));
  const bench = benchFor(solver);
  const toEarth = (node: number): number => Math.hypot(solver.voltsRe[node] ?? 0, solver.voltsIm[node] ?? 0);
  const outlets = circuit.outlets.map(({ id }, index): OutletSurvey => {
    const nodes = solver.network.outlets[index];
    if (nodes === undefined) throw new Error(`no outlet ${id}`);
    const survey = (node: number): ContactSurvey => ({
      volts: toEarth(node),
      held: Math.hypot(...solver.impedanceToEarth(node)) < holdingOhms,
    });
    const contact = (conductor: Conductor): ContactSurvey => survey(nodes.contact[conductor]);
    const [hot, neutral, ground] = conductors;
    solver.equivalentAt(index, bench.outlet);
    const lamps = show(bench, { at: id, instrument: 'lamps' }, index, settled);
    if (lamps.instrument !== 'lamps') throw new Error('lamps show lamps');
    return {
      id,
      lamps: { hn: lamps.hn, hg: lamps.hg, ng: lamps.ng },
      contacts: { hot: contact(hot), neutral: contact(neutral), ground: contact(ground) },
      splices: Object.fromEntries(
        wires.flatMap((wire) => (nodes.splice[wire] === absent ? [] : [[wire, survey(nodes.splice[wire])]])),
      ),
    };
  });
  const index = solver.network.topology.outletIndex.get(test.at) ?? 0;
  solver.equivalentAt(index, bench.outlet);
  return { outlets, trippedBefore: settled.trippedBefore, reading: show(bench, test, index, settled) };
}
