import { type Condition, proveDead } from './condition.ts';

export const highResistance: Condition = {
  id: 'high-resistance',
  name: 'High-resistance connection',
  what: 'A connection touches but does not hold: a loose terminal, a spring-clamp contact or a corroded splice.',
  why: 'It heats under load, and heat in a box is how such connections start fires.',
  urgency: 'repair',
  dangerous: true,
  correction: 'A licensed electrician finds the poor connection, cuts back the damaged wire and remakes it.',
  hazard: 'Fire: a connection that heats under load chars what is round it.',
  urgencyReason: 'It gets worse with every heavy load and shows nothing until it does.',
  ways: ['remake-connection', 'splice-and-pigtail', 'replace-receptacle', 'shorter-or-fatter'],
  openFirst: 'the box where the voltage drop steps up, and the one before it',
  steps: [
    proveDead,
    'Push-in terminals, loose screws, corroded or mixed-metal splices; look for browned insulation.',
    'Cut back to bright metal; torque the screws as marked.',
    'If the metal is silver through the cut end, stop: aluminum needs its own way of repair.',
  ],
  retest:
    'Load test here and at the neighbour toward the panel: no step between them, and drop within what the firm’s limit allows.',
  references: ['nec-110.14', 'nec-210.19'],
  questions: ['neutral-to-ground'],
  cautions: ['contacts', 'load-test', 'box'],
};
