import type { Circuit } from '@fair-plug/core/circuit';
import { type InstrumentId, instrumentIds, isOfDevice } from '@fair-plug/core/instruments';
import { Button } from '@mantine/core';
import { IconArrowRight } from '@tabler/icons-react';
import { useState } from 'react';
import { EvidenceTable } from '@/components/evidence-table';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import classes from './diagnose-panel.module.css';
import { type BenchDiagnosing, useBenchDiagnosis } from './use-bench-diagnosis';

/** Explanations less probable than this are not worth a line. */
const worthALine = 0.01;

/** The bench turned round: faults hidden, readings taken one by one, and what the engine makes of them. */
export function DiagnosePanel({ circuit }: { readonly circuit: Circuit }) {
  const words = useWords();
  const diagnosing = useBenchDiagnosis(circuit);
  const [at, setAt] = useState(circuit.outlets[0]?.id ?? '');
  return (
    <>
      <HiddenRun circuit={circuit} diagnosing={diagnosing} at={at} onPick={setAt} />
      <div className={classes.halves}>
        <section className={classes.take} aria-label="Take readings">
          <h2>Read at {at}</h2>
          <p className={classes.soft}>Faults and loads are hidden. Each press takes one reading.</p>
          <div className={classes.instruments}>
            {instrumentIds
              .filter((id) => !isOfDevice(id) || circuit.protection.some((device) => device.at === at))
              .map((id) => (
                <button
                  key={id}
                  type="button"
                  className={classes.instrument}
                  onClick={() => diagnosing.read(at, id)}
                >
                  {words.instruments[id].name}
                </button>
              ))}
          </div>
          {diagnosing.answer !== null && diagnosing.answer.table.length > 0 && (
            <EvidenceTable table={diagnosing.answer.table} nameOf={(id) => id} />
          )}
          {diagnosing.readings.length > 0 && (
            <Button variant="default" size="sm" onClick={diagnosing.clear}>
              Forget the readings
            </Button>
          )}
        </section>
        <Answer diagnosing={diagnosing} at={at} onPick={setAt} />
      </div>
    </>
  );
}

function HiddenRun({
  circuit,
  diagnosing: { readings, answer },
  at,
  onPick,
}: {
  readonly circuit: Circuit;
  readonly diagnosing: BenchDiagnosing;
  readonly at: string;
  readonly onPick: (at: string) => void;
}) {
  const words = useWords();
  return (
    <fieldset className={classes.run}>
      <legend className={classes.unseen}>Receptacles, from the panel outward</legend>
      {circuit.outlets.map(({ id }) => {
        const lamps = readings.find((one) => one.at === id && one.instrument === 'lamps' && !one.state);
        const opinion = answer?.outlets.find((one) => one.id === id);
        const [hot, neutral, ground] = opinion?.contacts ?? [];
        const corners = hot && neutral && ground ? { hot, neutral, ground } : undefined;
        const caption =
          opinion === undefined || !readings.some((one) => one.at === id)
            ? 'not read'
            : opinion.condition === 'undetermined'
              ? 'undetermined'
              : words.conditions[opinion.condition].name.toLowerCase();
        return (
          <button key={id} type="button" aria-pressed={id === at} onClick={() => onPick(id)}>
            <Triangle
              lamps={lamps?.instrument === 'lamps' ? lamps : null}
              corners={corners}
              size={54}
              label=""
            />
            <strong>{id}</strong>
            <span>{caption}</span>
          </button>
        );
      })}
    </fieldset>
  );
}

function Answer({
  diagnosing,
  at,
  onPick,
}: {
  readonly diagnosing: BenchDiagnosing;
  readonly at: string;
  readonly onPick: (at: string) => void;
}) {
  const words = useWords();
  const { answer, isThinking } = diagnosing;
  if (answer === null)
    return (
      <section className={classes.answer} aria-label="Diagnosis">
        <p className={classes.soft}>Take a first reading: the lamps at any receptacle.</p>
      </section>
    );
  const here = answer.outlets.find(({ id }) => id === at);
  const next = here?.next ?? null;
  return (
    <section className={classes.answer} aria-label="Diagnosis" aria-busy={isThinking}>
      <h2>
        {isThinking ? 'So far' : 'Diagnosis'}
        {answer.stoppedEarly && ' – not all was tried'}
      </h2>
      <ol className={classes.explanations} aria-live="polite">
        {answer.explanations
          .filter(({ probability }, place) => place === 0 || probability >= worthALine)
          .map(({ faults, probability, group }) => (
            <li key={JSON.stringify(faults)}>
              <span className={classes.share}>{words.share(probability)}</span>
              <span>
                {words.cause(faults)}
                {faults.length > 0 && <small> {sites(faults)}</small>}
                {group === 1 && answer.explanations.length > 1 && <small> · reads alike</small>}
              </span>
            </li>
          ))}
      </ol>
      {answer.causes.map(
        ({ faults, place }) =>
          place !== null && (
            <p key={JSON.stringify(faults)}>
              {answer.causes.length > 1 ? `For ${words.cause(faults)}: look` : 'Look'} {words.place(place)}.
            </p>
          ),
      )}
      {here !== undefined && here.notRuledOut.length > 0 && (
        <p>
          <strong>Not ruled out at {at}:</strong>{' '}
          {here.notRuledOut.map((id) => words.conditions[id].name.toLowerCase()).join(', ')}.
        </p>
      )}
      {next !== null && (
        <div>
          <Button
            rightSection={<IconArrowRight size={18} aria-hidden />}
            onClick={() => {
              onPick(next.at);
              diagnosing.read(next.at, next.instrument as InstrumentId, next.state);
            }}
          >
            Next: {words.test(next.instrument, next.state).toLowerCase()} at {next.at}
          </Button>
          <p className={classes.soft}>{words.whyNext(next)}.</p>
        </div>
      )}
    </section>
  );
}

const sites = (faults: readonly Circuit['faults'][number][]): string =>
  [
    ...new Set(
      faults.map((fault) => ('cable' in fault && fault.cable ? `cable ${fault.cable}` : (fault.at ?? ''))),
    ),
  ].join(', ');
