import type { Circuit, OutletSurvey, Survey } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import { cornersOf, stateOf } from './corners';
import classes from './run-drawing.module.css';
import type { Bench, Picked } from './use-bench';

const drawn = ['hot', 'neutral', 'ground'] as const;
type DrawnWire = (typeof drawn)[number];

const conductorName: Readonly<Record<DrawnWire, string>> = {
  hot: 'hot',
  neutral: 'neutral',
  ground: 'ground',
};

/** The run from the panel as it lies: cables with their three wires, receptacles as triangles. */
export function RunDrawing({ bench }: { readonly bench: Bench }) {
  const words = useWords();
  const { circuit, survey, picked } = bench;
  return (
    <div className={classes.run}>
      <div className={classes.panel}>Panel</div>
      {circuit.outlets.map((outlet, position) => {
        const seen = survey.outlets[position];
        const cable = circuit.cables[position];
        if (seen === undefined || cable === undefined) return null;
        const isPicked = (kind: Picked['kind']): boolean =>
          picked.kind === kind && picked.position === position;
        return (
          <div key={outlet.id} className={classes.stretch}>
            <button
              type="button"
              className={classes.cable}
              aria-pressed={isPicked('cable')}
              aria-label={`Cable to ${outlet.id}${faultWords(faultsAt(circuit, 'cable', cable.id))}`}
              onClick={() => bench.pick({ kind: 'cable', position })}
            >
              <CableWires circuit={circuit} position={position} survey={survey} />
            </button>
            <button
              type="button"
              className={classes.outlet}
              aria-pressed={isPicked('outlet')}
              aria-label={`${outlet.id}: ${words.lamps(seen.lamps)}${faultWords(faultsAt(circuit, 'at', outlet.id))}`}
              onClick={() => bench.pick({ kind: 'outlet', position })}
            >
              <Triangle lamps={seen.lamps} corners={cornersOf(seen)} size={58} label="" />
              <span className={classes.name}>{outlet.id}</span>
              <span className={classes.marks}>{marksAt(circuit, outlet.id, survey)}</span>
            </button>
          </div>
        );
      })}
    </div>
  );
}

function marksAt(circuit: Circuit, id: string, survey: Survey): string {
  const device = circuit.protection.find((one) => one.at === id);
  const load = circuit.loads.find((one) => one.at === id && one.on);
  const faults = faultsAt(circuit, 'at', id).length;
  return [
    device
      ? `${device.kind === 'gfci' ? 'GFCI' : 'RCD'}${survey.trippedBefore.includes(id) ? ' tripped' : ''}`
      : null,
    load ? `${load.watts} W` : null,
    faults > 0 ? `${faults} ${faults === 1 ? 'fault' : 'faults'}` : null,
  ]
    .filter((part) => part !== null)
    .join(' · ');
}

const faultsAt = (circuit: Circuit, key: 'at' | 'cable', id: string): readonly Fault[] =>
  circuit.faults.filter((fault) => (key === 'at' ? fault.at === id : 'cable' in fault && fault.cable === id));

function faultWords(faults: readonly Fault[]): string {
  const words = faults.map((fault) =>
    'conductor' in fault
      ? `${fault.kind === 'open' ? 'open' : 'poor connection in the'} ${fault.conductor}`
      : `${fault.conductors.join('–')} ${fault.kind === 'swap' ? 'exchanged' : 'jumper'}`,
  );
  return words.length === 0 ? '' : `, ${words.join(', ')}`;
}

/** Three wires from left to right: live ones glow, an open one is cut, exchanged ones cross. */
function CableWires({
  circuit,
  position,
  survey,
}: {
  readonly circuit: Circuit;
  readonly position: number;
  readonly survey: Survey;
}) {
  const cable = circuit.cables[position];
  const here = survey.outlets[position];
  if (cable === undefined || here === undefined) return null;
  const faults = faultsAt(circuit, 'cable', cable.id);
  const ends = new Map<DrawnWire, DrawnWire>(drawn.map((wire) => [wire, wire]));
  for (const fault of faults)
    if (fault.kind === 'swap') {
      const [a, b] = fault.conductors;
      const [endA, endB] = [ends.get(a) ?? a, ends.get(b) ?? b];
      ends.set(a, endB);
      ends.set(b, endA);
    }
  const height = (wire: DrawnWire): number => 16 + 20 * drawn.indexOf(wire);
  return (
    <svg className={classes.wires} viewBox="0 0 100 72" preserveAspectRatio="none" aria-hidden="true">
      {drawn.map((wire) => {
        if (wire === 'ground' && !cable.ground) return null;
        const isOpen = faults.some((fault) => fault.kind === 'open' && fault.conductor === wire);
        const isPoor = faults.some((fault) => fault.kind === 'resistance' && fault.conductor === wire);
        const end = ends.get(wire) ?? wire;
        const y = height(wire);
        const to = height(end);
        return (
          <g key={wire} data-live={isLive(here, end)}>
            <path data-wire={conductorName[wire]} d={`M${isOpen ? 34 : 0} ${y}H62L86 ${to}H100`} />
            {isOpen && <path data-wire="stump" d={`M0 ${y}H20`} />}
            {isPoor && <path data-wire="poor" d={`M30 ${y - 6}l6 12l6 -12l6 12`} />}
          </g>
        );
      })}
    </svg>
  );
}

function isLive({ splices }: OutletSurvey, wire: DrawnWire): boolean {
  const here = wire === 'hot' ? (splices.L1 ?? splices.L2) : splices[wire];
  return here !== undefined && stateOf(here) === 'live';
}
