import type { Assessment, Suspect } from '@fair-plug/core/assessment';
import type { Lamps } from '@fair-plug/core/instruments';
import type { Corners } from '@/components/triangle';
import { emptyBreakers, suspectsBeside, unassigned, type WiredCircuit } from './wired';

/** Pixels that each kind of thing takes. */
export const sizes = {
  panel: { width: 76, height: 48 },
  breaker: { width: 136, height: 54 },
  receptacle: { width: 96, height: 84 },
} as const;
export type NodeKind = keyof typeof sizes;

/** A device sits there; one elsewhere covers it; the year’s rule asks for one; today’s would. */
export type Protected = 'device' | 'covered' | 'missing' | 'upgrade';

export interface Protection {
  readonly as: Protected;
  /** The device that covers it. */
  readonly by?: string;
}

export interface GraphNode {
  readonly id: string;
  readonly kind: NodeKind;
  readonly name: string;
  /** A breaker's, as the directory has it. */
  readonly detail: string;
  /** The circuit that it belongs to; null: to none. */
  readonly breaker: string | null;
  readonly lamps: Lamps | null;
  readonly corners: Corners | undefined;
  readonly suspects: readonly Suspect[];
  readonly protection: Protected | null;
  /** What covers it, where something elsewhere does. */
  readonly coveredBy: string | null;
  readonly isEnd: boolean;
}

export interface GraphEdge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly breaker: string;
  readonly words: string;
  readonly suspects: readonly Suspect[];
}

export interface Graph {
  readonly nodes: readonly GraphNode[];
  readonly edges: readonly GraphEdge[];
  /** Names the shape, whatever is read: only another one is laid out anew. */
  readonly shape: string;
}

export const breakerNode = (breaker: string): string => `breaker ${breaker}`;
const panelNode = 'panel';

const plain = {
  lamps: null,
  corners: undefined,
  suspects: [],
  protection: null,
  coveredBy: null,
  isEnd: false,
} as const;

const metals = { copper: 'Cu', aluminum: 'Al', 'copper-clad-aluminum': 'Cu-clad Al' } as const;

/** "Cu 14", "Al 12, about 6 m": what is known of a cable; nothing where nothing is. */
function cableWords({ metal, awg, meters }: WiredCircuit, to: string): string {
  const long = meters.get(to);
  return [
    metal === null || awg === null ? '' : `${metals[metal]} ${awg}`,
    long === undefined ? '' : `about ${long < 10 ? long.toFixed(1) : Math.round(long)} m`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

function edgesOf(circuit: WiredCircuit): readonly GraphEdge[] {
  const { breaker, breakers, cables, suspects } = circuit;
  const [, other] = breakers;
  const first = cables.find(({ from }) => from === panelNode)?.to;
  return [
    ...breakers.map((one) => ({
      id: `feeds ${one}`,
      from: panelNode,
      to: breakerNode(one),
      breaker,
      words: '',
      suspects: [],
    })),
    ...cables.map(({ id, from, to }) => ({
      id: `${breaker} ${id}`,
      from: from === panelNode ? breakerNode(breaker) : from,
      to,
      breaker,
      words: cableWords(circuit, to),
      suspects: suspectsBeside(suspects, to).inCable.filter(
        ({ fault }) => 'cable' in fault && fault.cable === id,
      ),
    })),
    ...(other === undefined || first === undefined
      ? []
      : [
          {
            id: `shares ${other}`,
            from: breakerNode(other),
            to: first,
            breaker,
            words: 'shared neutral',
            suspects: [],
          },
        ]),
  ];
}

/** A house from its panel to its receptacles, and what is on no circuit. */
export function graphOf(
  assessment: Assessment,
  circuits: readonly WiredCircuit[],
  protection: ReadonlyMap<string, Protection>,
  panelName: string,
): Graph {
  const { house, receptacles } = assessment;
  const endOf = new Set((house.circuits ?? []).flatMap(({ end }) => end ?? []));
  const receptacleNode = (id: string, circuit: WiredCircuit | null): GraphNode => ({
    ...plain,
    id,
    kind: 'receptacle',
    name: receptacles.get(id)?.receptacle.name ?? '',
    detail: '',
    breaker: circuit?.breaker ?? null,
    lamps: receptacles.get(id)?.lamps ?? null,
    corners: receptacles.get(id)?.verdict?.contacts,
    suspects: circuit === null ? [] : suspectsBeside(circuit.suspects, id).atTerminals,
    protection: protection.get(id)?.as ?? null,
    coveredBy: protection.get(id)?.by ?? null,
    isEnd: endOf.has(id),
  });
  const breakers = [
    ...circuits.flatMap((circuit) => circuit.breakers.map((one) => ({ one, circuit }))),
    ...emptyBreakers(house, circuits).map(({ number = '' }) => ({ one: number, circuit: null })),
  ];
  const feeds = new Map(
    (house.parts?.panels ?? []).flatMap((panel) =>
      panel.breakers.map((one) => [one.number, one.feeds ?? ''] as const),
    ),
  );
  const nodes: readonly GraphNode[] = [
    { ...plain, id: panelNode, kind: 'panel', name: panelName, detail: '', breaker: null },
    ...breakers.map(
      ({ one, circuit }): GraphNode => ({
        ...plain,
        id: breakerNode(one),
        kind: 'breaker',
        name: one,
        detail: feeds.get(one) ?? '',
        breaker: circuit?.breaker ?? null,
      }),
    ),
    ...circuits.flatMap((circuit) => circuit.receptacles.map(({ id }) => receptacleNode(id, circuit))),
    ...unassigned(house).map(({ id }) => receptacleNode(id, null)),
  ];
  const edges = [
    ...circuits.flatMap(edgesOf),
    ...emptyBreakers(house, circuits).map(({ number = '' }) => ({
      id: `feeds ${number}`,
      from: panelNode,
      to: breakerNode(number),
      breaker: number,
      words: '',
      suspects: [],
    })),
  ];
  const shape = JSON.stringify([
    nodes.map(({ id, breaker }) => [id, breaker === null]),
    edges.map(({ from, to }) => [from, to]),
  ]);
  return { nodes, edges, shape };
}
