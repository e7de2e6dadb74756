import { type InstrumentId, instrumentIds, instruments, isOfDevice } from '@fair-plug/core/instruments';
import { regions } from '@fair-plug/core/knowledge';
import { type FunctionCheck, functionChecksOf, type House, isRatedFor } from '@fair-plug/core/log';
import { counted } from '@fair-plug/core/words/counted.ts';
import { Button } from '@mantine/core';
import { type TellTime, useHouseTime } from '@/components/house-time';
import { useWords } from '@/components/region-words';
import { useBag } from '@/local/use-bag';
import { useChosenTester } from '@/local/use-chosen-tester';
import { useKeep, useKit } from '@/local/use-logs';
import classes from './function-checks.module.css';

/** The plug-in tester's buttons are no instruments of their own. */
const isProvable = (id: InstrumentId): boolean =>
  id !== 'lamps' && !isOfDevice(id) && instruments[id].partOf === undefined;

interface Row {
  readonly key: string;
  readonly name: string;
  readonly rating: string | null;
  readonly instrument: InstrumentId;
  readonly tester: string | null;
  readonly check: FunctionCheck | undefined;
  readonly lastElsewhere: string | null;
}

/** Every tester in the bag with how it stands in this house: tried on a good receptacle before, and again after. */
export function FunctionChecks({ job, house }: { readonly job: string; readonly house: House }) {
  const keep = useKeep();
  const words = useWords();
  const time = useHouseTime();
  const rows = useRows(house);
  const prove = ({ instrument, tester }: Row, passed: boolean): void => {
    const check = {
      kind: 'tester-proved' as const,
      instrument,
      passed,
      ...(tester === null ? {} : { tester }),
    };
    void keep?.inJob(job, check);
    void keep?.inKit(check);
  };
  const drop = ({ instrument, tester }: Row): void =>
    void keep?.inJob(job, {
      kind: 'tester-dropped',
      instrument,
      ...(tester === null ? {} : { tester }),
    });
  return (
    <ul className={classes.list}>
      {rows.map((row) => {
        const latest = row.check?.proofs.at(-1);
        const state = row.check?.state ?? 'not-proved';
        return (
          <li key={row.key} data-state={state}>
            <div>
              <strong>{row.name}</strong>
              {row.rating !== null && <span> · {row.rating}</span>}
              {!isRatedFor(row.rating, regions[house.region].nominalVolts) && (
                <p role="alert" className={classes.unfit}>
                  Not for this house: it is rated below {regions[house.region].nominalVolts} V. Plug it in
                  nowhere.
                </p>
              )}
              <p className={classes.state}>
                {words.functionChecks[state]}
                {latest !== undefined &&
                  `, ${latest.passed ? 'good' : 'failed'} at ${time(latest.at, 'HH:mm')}`}
                {latest === undefined && row.lastElsewhere !== null && `; last ${row.lastElsewhere}`}
                {(state === 'failed' || state === 'dropped') &&
                  (row.check?.doubted.length ?? 0) > 0 &&
                  `: ${counted(row.check?.doubted.length ?? 0, 'reading', 'readings')} since the last good function check in doubt`}
              </p>
            </div>
            {keep !== null && (
              <div className={classes.keys}>
                <Button
                  variant="default"
                  onClick={() => prove(row, true)}
                  aria-label={`${row.name} shows it good`}
                >
                  Good
                </Button>
                <Button variant="default" onClick={() => prove(row, false)} aria-label={`${row.name} failed`}>
                  Failed
                </Button>
                <Button variant="default" onClick={() => drop(row)} aria-label={`${row.name} was dropped`}>
                  Dropped
                </Button>
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}

const lastWords = (
  check: { readonly at: string; readonly passed: boolean } | null | undefined,
  time: TellTime,
): string | null => (check ? `${check.passed ? 'good' : 'failed'} on ${time(check.at, 'D MMM')}` : null);

function useRows(house: House): readonly Row[] {
  const time = useHouseTime();
  const words = useWords();
  const kit = useKit();
  const chosen = useChosenTester();
  const { bag } = useBag();
  const checks = functionChecksOf(house);
  const find = (instrument: InstrumentId, tester: string | null) =>
    checks.find((one) => one.instrument === instrument && one.tester === tester);
  const testers = kit.kind === 'loaded' ? kit.testers : [];
  const used = testers.filter(({ id }) => id === chosen?.id || find('lamps', id) !== undefined);
  const plugIn = used.map(
    ({ id, name, rating, lastProof }): Row => ({
      key: id,
      name,
      rating,
      instrument: 'lamps',
      tester: id,
      check: find('lamps', id),
      lastElsewhere: lastWords(lastProof, time),
    }),
  );
  const nameless: readonly Row[] =
    plugIn.length === 0 || find('lamps', null) !== undefined
      ? [
          {
            key: 'lamps',
            name: words.instruments.lamps.name,
            rating: null,
            instrument: 'lamps',
            tester: null,
            check: find('lamps', null),
            lastElsewhere: null,
          },
        ]
      : [];
  const others = instrumentIds
    .filter((id) => isProvable(id) && (bag.includes(id) || find(id, null) !== undefined))
    .map(
      (instrument): Row => ({
        key: instrument,
        name: words.instruments[instrument].name,
        rating: null,
        instrument,
        tester: null,
        check: find(instrument, null),
        lastElsewhere: lastWords(kit.kind === 'loaded' ? kit.lastProofs.get(instrument) : null, time),
      }),
    );
  return [...plugIn, ...nameless, ...others];
}
