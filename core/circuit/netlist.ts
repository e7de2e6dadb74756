import { absent, earth, emit, type Network, operationOf } from '../physics/index.ts';
import type { Circuit } from './circuit-file.ts';
import { networkOf } from './network.ts';

/** Names of all nodes, by number: `den_1_hot` for a contact, `den_1_splice_L1` and the like for the others. */
export function nodeNames({ circuit, nodeCount, outlets, bus }: Network): readonly string[] {
  const names = new Array<string>(nodeCount);
  const taken = new Set<string>(['0', 'source_of_panel_l1', 'source_of_panel_l2']);
  const give = (node: number, wanted: string): void => {
    if (node === absent || node === earth) return;
    const plain = wanted.replace(/[^A-Za-z0-9_]/g, '_').toLowerCase();
    let name = plain;
    for (let copy = 2; taken.has(name); copy += 1) name = `${plain}_${copy}`;
    taken.add(name);
    names[node] = name;
  };
  for (const [leg, node] of Object.entries(bus)) give(node, `panel_${leg}`);
  circuit.outlets.forEach(({ id }, index) => {
    const nodes = outlets[index];
    if (nodes === undefined) return;
    for (const [contact, node] of Object.entries(nodes.contact)) give(node, `${id}_${contact}`);
    for (const [wire, node] of Object.entries(nodes.splice)) give(node, `${id}_splice_${wire}`);
    for (const [wire, node] of Object.entries(nodes.protectedSide)) give(node, `${id}_protected_${wire}`);
  });
  return names;
}

/**
 * The circuit as a SPICE deck: an AC analysis at the file's frequency that prints the potential of every
 * contact. Devices are in the state that the file gives them; nothing is plugged in.
 */
export function netlist(circuit: Circuit): string {
  const network = networkOf(circuit);
  const names = nodeNames(network);
  const nameOf = (node: number): string => (node === earth ? '0' : (names[node] ?? '0'));
  const lines: string[] = [`* ${circuit.format}: ${circuit.outlets.length} outlets`];
  let count = 0;
  const element = (letter: string, a: string, b: string, value: string): void => {
    count += 1;
    lines.push(`${letter}${count} ${a} ${b} ${value}`);
  };
  emit(network, operationOf(network), {
    resistor: (a, b, ohms) => {
      if (a !== b) element('R', nameOf(a), nameOf(b), String(ohms));
    },
    leak: (node, siemens) => element('R', nameOf(node), '0', String(1 / siemens)),
    capacitor: (a, b, farads) => element('C', nameOf(a), nameOf(b), String(farads)),
    source: (node, volts, degrees, ohms) => {
      const behind = `source_of_${nameOf(node)}`;
      element('V', behind, '0', `DC 0 AC ${volts} ${degrees}`);
      element('R', behind, nameOf(node), String(ohms));
    },
  });
  lines.push(`.ac lin 1 ${circuit.hertz} ${circuit.hertz}`);
  for (const { contact } of network.outlets)
    lines.push(
      `.print ac ${Object.values(contact)
        .map((node) => `vm(${nameOf(node)})`)
        .join(' ')}`,
    );
  return `${lines.join('\n')}\n.end\n`;
}
