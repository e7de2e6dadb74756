import type { JudgedCause, JudgedExplanation, JudgedReceptacle } from '@fair-plug/core/assessment';
import { Button } from '@mantine/core';
import { IconArrowRight } from '@tabler/icons-react';
import { useDeferredValue, useMemo } from 'react';
import { EvidenceTable } from '@/components/evidence-table';
import { useWords } from '@/components/region-words';
import type { AskedReading } from './asked-reading';
import classes from './engine-opinion.module.css';
import { namedDoubts } from './named-doubts';

/** What the engine makes of the readings: what fits, what is not ruled out, the next test, and the evidence. */
export function EngineOpinion({
  judged,
  next,
  cause,
  nameOf,
  onTest,
}: {
  readonly judged: JudgedReceptacle;
  /** null where none is worth it, or people are kept away. */
  readonly next: JudgedReceptacle['next'];
  /** What takes it along, where its circuit is known. */
  readonly cause: JudgedCause | null;
  readonly nameOf: (id: string) => string;
  readonly onTest: (at: string, asked: AskedReading) => void;
}) {
  const words = useWords();
  const { condition, explanations } = judged;
  const isPlain = condition === 'correct';
  const doubted = explanations[0]?.instruments ?? [];
  // What to do is drawn first, then why; what no longer holds is not drawn meanwhile.
  const later = useDeferredValue(
    useMemo(() => ({ judged, cause }), [judged, cause]),
    null,
  );
  const holds = later?.judged.id === judged.id && later.judged.condition === condition;
  return (
    <>
      {next !== null && (
        <section className={classes.next} aria-label="Next test">
          <Button
            fullWidth
            justify="space-between"
            variant={isPlain ? 'default' : 'filled'}
            rightSection={
              <>
                <kbd className={classes.kbd}>S</kbd> <IconArrowRight size={18} aria-hidden />
              </>
            }
            classNames={{ root: classes.test ?? '', label: classes.testLabel ?? '' }}
            onClick={() =>
              onTest(next.at, { instrument: next.instrument, loadsOff: next.state?.loadsOff === true })
            }
          >
            {words.test(next.instrument, next.state)}
            {next.at !== judged.id && ` at ${nameOf(next.at)}`}
          </Button>
          <p>{`${words
            .whyNext(next)
            .replace(/^at \S+, t/, 'T')
            .replace(/^n/, 'N')}.`}</p>
        </section>
      )}
      {doubted.map((fault) => (
        <p key={JSON.stringify(fault)} role="status">
          <strong>Check the instrument:</strong> {words.instrumentFault(fault)}
        </p>
      ))}
      {holds && (
        <>
          <Why {...later} nameOf={nameOf} />
          <Evidence judged={judged} />
        </>
      )}
    </>
  );
}

interface WhyProps {
  readonly judged: JudgedReceptacle;
  readonly cause: JudgedCause | null;
  readonly nameOf: (id: string) => string;
}

/** What else fits, what takes it along, and what is not ruled out. */
function Why({ judged, cause, nameOf }: WhyProps) {
  const words = useWords();
  const { condition, explanations, isFinal } = judged;
  const isPlain = condition === 'correct';
  return (
    <>
      {!isPlain && (
        <section>
          <h4 className={classes.label}>{isFinal ? 'What fits' : 'What fits so far …'}</h4>
          <ol className={classes.fits}>
            {explanations.map((explanation) => (
              <Explained key={JSON.stringify(explanation)} explanation={explanation} />
            ))}
          </ol>
        </section>
      )}
      {cause !== null && (
        <p>
          <strong>{cause.receptacles.length > 1 ? 'One cause' : 'Cause'}:</strong> {words.cause(cause.faults)}
          {cause.place !== null && `, ${words.place(cause.place, nameOf)}`}.
          {cause.receptacles.length > 1 && (
            <>
              {' '}
              Explains {cause.receptacles.length}: {cause.receptacles.map(nameOf).join(', ')}.
            </>
          )}
        </p>
      )}
      {judged.isCutShort && isFinal && (
        <p>
          <strong>Not everything was tried.</strong> The readings on this breaker fit together badly: read the
          odd ones again.
        </p>
      )}
      <Doubts judged={judged} isPlain={isPlain} />
    </>
  );
}

/** What the opinion rests on; drawn once the opinion is. */
function Evidence({ judged }: { readonly judged: JudgedReceptacle }) {
  const drawn = useDeferredValue(judged, null);
  const table = drawn?.id === judged.id ? drawn.table : [];
  if (judged.table.length === 0) return null;
  return (
    <details className={classes.evidence} data-evidence open={judged.condition !== 'correct'}>
      <summary>Evidence</summary>
      <EvidenceTable table={table} />
    </details>
  );
}

function Explained({ explanation }: { readonly explanation: JudgedExplanation }) {
  const words = useWords();
  const named = words.explanation(explanation);
  const holds = words.conditions[explanation.condition].name.toLowerCase();
  return (
    <li>
      <span className={classes.share}>{words.share(explanation.probability)}</span>
      <span>
        {named}
        {holds !== named && <small> – {holds}</small>}
      </span>
    </li>
  );
}

function Doubts({ judged, isPlain }: { readonly judged: JudgedReceptacle; readonly isPlain: boolean }) {
  const words = useWords();
  const { notRuledOut, ifMisread } = judged;
  const named = namedDoubts(judged, isPlain);
  const namesOf = (ids: typeof notRuledOut): string =>
    `${ids.map((id) => words.conditions[id].name.toLowerCase()).join(', ')}.`;
  if (named.length > 0 || ifMisread.length > 0)
    return (
      <>
        {named.length > 0 && (
          <p>
            <strong>Not ruled out:</strong> {namesOf(named)}
          </p>
        )}
        {ifMisread.length > 0 && (
          <p>
            <strong>If a reading is wrong:</strong> {namesOf(ifMisread)}
          </p>
        )}
      </>
    );
  if (!isPlain || notRuledOut.length === 0) return null;
  return <p className={classes.soft}>What this kit cannot see is said once, in the report and under Kit.</p>;
}
