import { type InstrumentId, instrumentIds, type Reading } from '@fair-plug/core/circuit';
import { pairs } from '@fair-plug/core/instruments';
import { ChoiceKeys } from '@/components/choice-keys';
import { TesterLampRow } from '@/components/tester-lamps';
import { Triangle } from '@/components/triangle';
import { useChosenTester } from '@/local/use-chosen-tester';
import classes from './bench.module.css';
import { cornersOf } from './corners';
import type { Bench } from './use-bench';

const instrumentNames: Readonly<Record<InstrumentId, string>> = {
  lamps: 'Lamps',
  meter: 'Meter',
  'meter-low': 'Low-impedance meter',
  'earth-meter': 'Meter to proven ground',
  probe: 'Probe',
  loaded: 'Load test, 12 A',
  'gfci-button': 'Tester’s button',
  'own-button': 'Device’s own button',
};

/** The instrument plugged in: what it shows, beside the triangle, and why. */
export function ReadingPanel({ bench }: { readonly bench: Bench }) {
  const { circuit, survey, position, instrument, why } = bench;
  const tester = useChosenTester();
  const outlet = survey.outlets[position];
  if (outlet === undefined) return null;
  const isProtected = circuit.protection.some((device) => device.at === outlet.id);
  return (
    <section className={classes.reading} aria-label="Instrument">
      <ChoiceKeys
        legend={`Plug in at ${outlet.id}`}
        choices={instrumentIds
          .filter((id) => id !== 'own-button' || isProtected)
          .map((id) => [id, instrumentNames[id]] as const)}
        chosen={(id) => id === instrument}
        onChoose={bench.take}
      />
      <div className={classes.shown}>
        <LabelledTriangle bench={bench} />
        <div className={classes.figures}>
          <Shown reading={survey.reading} />
          {survey.reading.instrument === 'lamps' && tester !== null && (
            <div>
              <TesterLampRow layout={tester.layout} lamps={outlet.lamps} />
              <span className={classes.soft}>{tester.name}</span>
            </div>
          )}
        </div>
      </div>
      <p className={classes.why} role="status">
        {why}
      </p>
    </section>
  );
}

const volts = (value: number): string =>
  value < 0.01 ? '0' : value < 10 ? value.toFixed(2) : value.toFixed(1);

function LabelledTriangle({ bench }: { readonly bench: Bench }) {
  const { survey, position } = bench;
  const outlet = survey.outlets[position];
  if (outlet === undefined) return null;
  const { reading } = survey;
  const across = 'hn' in reading && typeof reading.hn === 'number' ? reading : null;
  return (
    <div className={classes.triangle}>
      <span data-at="hot">Hot</span>
      <span data-at="neutral">Neutral</span>
      <span data-at="ground">Ground</span>
      <Triangle lamps={outlet.lamps} corners={cornersOf(outlet)} size={210} />
      {across !== null &&
        pairs.map((pair) => (
          <span key={pair} data-at={pair}>
            {volts(Number(across[pair]))} <small>V</small>
          </span>
        ))}
    </div>
  );
}

function Shown({ reading }: { readonly reading: Reading }) {
  const rows = rowsOf(reading);
  return (
    <dl className={classes.rows}>
      {rows.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

type Rows = readonly (readonly [name: string, value: string])[];

function rowsOf(reading: Reading): Rows {
  switch (reading.instrument) {
    case 'lamps':
      return [
        ['Hot–neutral', reading.hn],
        ['Hot–ground', reading.hg],
        ['Neutral–ground', reading.ng],
      ];
    case 'meter':
    case 'meter-low':
    case 'loaded':
      return [
        ['Hot–neutral', `${volts(reading.hn)} V`],
        ['Hot–ground', `${volts(reading.hg)} V`],
        ['Neutral–ground', `${volts(reading.ng)} V`],
      ];
    case 'earth-meter':
      return [
        ['Hot', `${volts(reading.hot)} V`],
        ['Neutral', `${volts(reading.neutral)} V`],
        ['Ground', `${volts(reading.ground)} V`],
      ];
    case 'probe':
      return (['hot', 'neutral', 'ground'] as const).map((contact) => [
        `At ${contact}`,
        reading[contact] ? 'sounds' : 'silent',
      ]);
    case 'gfci-button':
      return [
        ['Hot to ground', `${reading.milliamps.toFixed(1)} mA`],
        ['Trips', reading.trips.length === 0 ? 'nothing' : reading.trips.join(', ')],
        ...(reading.seconds === undefined ? [] : [['Within', `${reading.seconds.toFixed(2)} s`] as const]),
      ];
    case 'own-button':
      return [['Result', reading.result.replace('-', ' ')]];
  }
}
