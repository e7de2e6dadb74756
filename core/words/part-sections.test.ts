import { expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse } from '../log/index.ts';
import type { Reported } from '../report/sections/kind.ts';
import { wiring } from '../report/sections/wiring.ts';
import { enUs } from './en-us/index.ts';
import { reportOn } from './index.ts';

const panel = idNumber(0x60);
const position = (n: number, said: object) =>
  ({ kind: 'breaker-described', panel, position: idNumber(0x70 + n), number: String(n), ...said }) as const;

test('a position of the panel says what was said of it, and nothing of what was not', () => {
  const house = foldHouse(
    asEntries([
      { kind: 'panel-described', panel },
      position(7, {
        amps: 20,
        feeds: 'kitchen counter',
        protects: 'ground-fault',
        metal: 'copper',
        size: '12',
      }),
      position(9, { amps: 15 }),
      position(11, {}),
    ]),
  );
  const data = wiring({ report: reportOn(assess(house)) } as Reported);
  const said = JSON.stringify(data && enUs.sections.texts.wiring(data, {} as never));
  expect(said).toContain('7: 20 A, kitchen counter, ground-fault, copper, 12 AWG');
  expect(said).toMatch(/9: 15 A"/);
  expect(said).toMatch(/11: nothing said"/);
});
