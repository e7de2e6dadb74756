import { cableOf } from '../faults/index.ts';
import { isOfDevice } from '../instruments/index.ts';
import { panel, type Topology, topologyOf } from '../physics/index.ts';
import type { Cable, Circuit } from './circuit-shape.ts';
import type { Problem, WrongCode } from './problem.ts';

const namesPanel = (name: string): boolean => name === panel;

/** What is wrong between the parts of a circuit whose parts are each sound. */
export function topologyProblems(circuit: Circuit): readonly Problem[] {
  const problems: Problem[] = [];
  const report = (path: string, value: unknown, code: WrongCode): void => {
    problems.push({ path, value, wrong: { code } });
  };
  const outlets = new Set<string>();
  circuit.outlets.forEach((outlet, index) => {
    if (outlets.has(outlet.id)) report(`/outlets/${index}/id`, outlet.id, 'outlet-listed');
    outlets.add(outlet.id);
  });
  const cables = new Map<string, number>();
  circuit.cables.forEach((cable, index) => {
    if (cables.has(cable.id)) report(`/cables/${index}/id`, cable.id, 'cable-listed');
    else cables.set(cable.id, index);
    if (!namesPanel(cable.from) && !outlets.has(cable.from))
      report(`/cables/${index}/from`, cable.from, 'no-panel-or-outlet');
    if (!outlets.has(cable.to)) report(`/cables/${index}/to`, cable.to, 'no-outlet-at-end');
    else if (cable.to === cable.from) report(`/cables/${index}/to`, cable.to, 'ends-where-it-begins');
  });
  const needOutlet = (path: string, name: string): void => {
    if (!outlets.has(name)) report(path, name, 'no-outlet');
  };
  const devices = new Set<string>();
  circuit.protection.forEach((device, index) => {
    needOutlet(`/protection/${index}/at`, device.at);
    if (devices.has(device.at)) report(`/protection/${index}/at`, device.at, 'device-listed');
    devices.add(device.at);
  });
  circuit.loads.forEach((load, index) => {
    needOutlet(`/loads/${index}/at`, load.at);
  });
  circuit.tests.forEach((test, index) => {
    needOutlet(`/tests/${index}/at`, test.at);
    if (isOfDevice(test.instrument) && !devices.has(test.at))
      report(`/tests/${index}/at`, test.at, 'no-button');
    test.state?.tripped?.forEach((at, position) => {
      if (!devices.has(at)) report(`/tests/${index}/state/tripped/${position}`, at, 'no-device');
    });
  });
  if (problems.length > 0) return problems;

  const topology = topologyOf(circuit);
  circuit.outlets.forEach((outlet, index) => {
    if (topology.depth[index] === Number.POSITIVE_INFINITY) report(`/outlets/${index}`, outlet.id, 'not-fed');
  });
  if (problems.length > 0) return problems;
  problems.push(...ringProblems(circuit, topology), ...faultProblems(circuit, topology, cables));
  return problems;
}

/** A circuit is a tree, or one ring of one leg that begins and ends at the panel. */
function ringProblems(circuit: Circuit, { outletIndex }: Topology): readonly Problem[] {
  const arriving = new Map<string, number[]>();
  circuit.cables.forEach((cable, index) => {
    arriving.set(cable.to, [...(arriving.get(cable.to) ?? []), index]);
  });
  const meetings = [...arriving].filter(([, into]) => into.length > 1);
  const [meeting] = meetings;
  if (meeting === undefined) return [];
  const [at, into] = meeting;
  const last = into.at(-1) ?? 0;
  const path = `/cables/${last}/to`;
  if (meetings.length > 1 || into.length > 2)
    return [{ path, value: at, wrong: { code: 'more-than-one-ring' } }];
  const backToPanel = (cable: Cable | undefined): readonly string[] => {
    const way: string[] = [];
    for (let one = cable; one !== undefined && !namesPanel(one.from); ) {
      way.push(one.from);
      one = circuit.cables[arriving.get(one.from)?.[0] ?? -1];
    }
    return way;
  };
  const [first = [], second = []] = into.map((index) => backToPanel(circuit.cables[index]));
  if (first.some((name) => second.includes(name)))
    return [{ path, value: at, wrong: { code: 'ring-not-at-panel' } }];
  const ring = [at, ...first, ...second].map((name) => circuit.outlets[outletIndex.get(name) ?? -1]);
  if (new Set(circuit.outlets.map((outlet) => outlet.leg)).size > 1)
    return [{ path, value: ring.length, wrong: { code: 'ring-of-two-legs' } }];
  return [];
}

function faultProblems(
  circuit: Circuit,
  topology: Topology,
  cables: ReadonlyMap<string, number>,
): readonly Problem[] {
  const problems: Problem[] = [];
  circuit.faults.forEach((fault, index) => {
    const path = `/faults/${index}`;
    if (fault.at !== undefined && !topology.outletIndex.has(fault.at))
      problems.push({ path: `${path}/at`, value: fault.at, wrong: { code: 'no-outlet' } });
    const name = cableOf(fault);
    if (name === undefined) return;
    const cable = cables.get(name);
    if (cable === undefined)
      problems.push({ path: `${path}/cable`, value: name, wrong: { code: 'no-cable' } });
    else if ('leg' in fault && fault.leg !== undefined && !topology.legsOfCable[cable]?.includes(fault.leg))
      problems.push({
        path: `${path}/leg`,
        value: fault.leg,
        wrong: { code: 'no-such-leg' },
      });
  });
  return problems;
}
