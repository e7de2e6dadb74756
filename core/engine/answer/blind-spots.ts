import { type Circuit, networkOf, runOf } from '../../circuit/index.ts';
import { withOhms } from '../../faults/index.ts';
import {
  blank,
  type ChannelKind,
  type InstrumentId,
  isOfDevice,
  type Test,
} from '../../instruments/index.ts';
import { type ConditionId, conditionIds } from '../../knowledge/index.ts';
import { Evaluator, type Supposed } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { causesOf } from '../model/cause.ts';
import { alike } from './posterior.ts';

/** Four pigtailed outlets, 15 m of 14 AWG copper to the first and 4 m between, nothing plugged in. */
export const referenceCircuit = (): Circuit =>
  runOf(['o1', 'o2', 'o3', 'o4'], { meters: { first: 15, next: 4 } });

/** What a bad connection is taken to have here, in ohms. */
const badOhms = 1;

/**
 * The conditions that a kit would read as correct: those that some single cause brings about at some outlet of the
 * reference circuit without any of the kit's instruments showing there what it does not show on the sound circuit.
 * The most dangerous first.
 */
export function blindSpots(kit: readonly InstrumentId[]): readonly ConditionId[] {
  const network = networkOf(referenceCircuit());
  const instruments = kit.filter((instrument) => !isOfDevice(instrument));
  const evidence = evidenceOf(network, {
    readings: network.circuit.outlets.flatMap(({ id }) =>
      instruments.map((instrument) => blank({ at: id, instrument } as Test)),
    ),
    trippedBefore: null,
    afterRepair: [],
  });
  const evaluator = new Evaluator(network, evidence);
  const outletConditions = new OutletConditions(network);
  const sound: Supposed = { faults: [], loads: [], deviceStates: [] };
  evaluator.predict(sound, false);
  const normal = evaluator.predicted.slice();
  const blind = new Set<ConditionId>();
  for (const { faults } of causesOf(network, {}, new Set())) {
    const supposed: Supposed = {
      ...sound,
      faults: faults.map((fault) => withOhms(fault, () => badOhms)),
    };
    evaluator.predict(supposed, false);
    const under = outletConditions.under(supposed);
    under.forEach((condition, outlet) => {
      if (condition === 'correct') return;
      const shows = evidence.states
        .flatMap(({ outlets }) => outlets)
        .filter((one) => one.outlet === outlet)
        .flatMap(({ readings }) => readings)
        .some(({ first, end }) => {
          for (let channel = first; channel < end; channel += 1)
            if (
              !alike(
                evidence.kinds[channel] as ChannelKind,
                evaluator.predicted[channel] as number,
                normal[channel] as number,
              )
            )
              return true;
          return false;
        });
      if (!shows) blind.add(condition);
    });
  }
  return conditionIds.filter((id) => blind.has(id));
}
