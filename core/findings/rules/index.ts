import { adapters } from './adapters.ts';
import { aluminum } from './aluminum.ts';
import { calibrationOverdue } from './calibration-overdue.ts';
import { correctWithoutGround } from './correct-without-ground.ts';
import { unprovedTesters } from './function-checks.ts';
import { groundFaultDevices } from './ground-fault-devices.ts';
import { halvesDiffer } from './halves-differ.ts';
import { hotSpots } from './hot-spots.ts';
import { lostService } from './lost-service-neutral.ts';
import { missingLabels } from './missing-labels.ts';
import { missingProtection } from './missing-protection.ts';
import { newCopper } from './new-copper.ts';
import { noTripDownstream } from './no-trip-downstream.ts';
import { notCovered } from './not-covered.ts';
import { oddVolts } from './odd-volts.ts';
import { oldDevices } from './old-devices.ts';
import { openedBoxes } from './opened-boxes.ts';
import { panelDefects } from './panel-defects.ts';
import { powerNotBack } from './power-not-back.ts';
import { randomMiswiring } from './random-miswiring.ts';
import { readWrongBefore } from './read-wrong-before.ts';
import { readings } from './readings.ts';
import type { Rule } from './rule.ts';
import { sharedSymptoms } from './shared-symptoms.ts';
import { smallConductors } from './small-conductors.ts';
import { switchesAndLights } from './switches-and-lights.ts';
import { ungroundedSystem } from './ungrounded-system.ts';
import { visibleDefects } from './visible-defects.ts';

/** Every rule: a file and a line each. Those of one rank are reported in this order. */
export const rules: readonly Rule[] = [
  readings,
  readWrongBefore,
  lostService,
  sharedSymptoms,
  ungroundedSystem,
  correctWithoutGround,
  randomMiswiring,
  aluminum,
  newCopper,
  panelDefects,
  hotSpots,
  smallConductors,
  adapters,
  oddVolts,
  missingProtection,
  unprovedTesters,
  calibrationOverdue,
  notCovered,
  visibleDefects,
  groundFaultDevices,
  noTripDownstream,
  halvesDiffer,
  powerNotBack,
  openedBoxes,
  missingLabels,
  oldDevices,
  switchesAndLights,
];
