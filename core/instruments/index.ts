export {
  benchFor,
  lampSiemens,
  lowMeterSiemens,
  meterSiemens,
  ownButton,
  probeVolts,
  show,
} from './instrument.ts';
export * from './lamps.ts';
export { lampsSchema } from './lamps-schema.ts';
export * from './protection.ts';
export { simulate } from './simulate.ts';
export * from './survey.ts';
export * from './tester-layout.ts';
