import { instrumentIds, isOfDevice, pairs, type Reading } from '@fair-plug/core/instruments';
import { ChoiceKeys } from '@/components/choice-keys';
import { useWords } from '@/components/region-words';
import { TesterLampRow } from '@/components/tester-lamps';
import { Triangle } from '@/components/triangle';
import { useChosenTester } from '@/local/use-chosen-tester';
import classes from './bench.module.css';
import { cornersOf } from './corners';
import type { Bench } from './use-bench';

/** The instrument plugged in: what it shows, beside the triangle, and why. */
export function ReadingPanel({ bench }: { readonly bench: Bench }) {
  const { circuit, survey, position, instrument, why } = bench;
  const words = useWords();
  const tester = useChosenTester();
  const outlet = survey.outlets[position];
  if (outlet === undefined) return null;
  const isProtected = circuit.protection.some((device) => device.at === outlet.id);
  return (
    <section className={classes.reading} aria-label="Instrument">
      <ChoiceKeys
        legend={`Plug in at ${outlet.id}`}
        choices={instrumentIds
          .filter((id) => !isOfDevice(id) || isProtected)
          .map((id) => [id, words.instruments[id].name] as const)}
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
  const words = useWords();
  return (
    <dl className={classes.rows}>
      {words.values(reading).map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
