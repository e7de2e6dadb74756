import {
  type Assessment,
  type JudgedCause,
  type JudgedCircuit,
  openFirstOf,
  suspectId,
} from '@fair-plug/core/assessment';
import type { Finding } from '@fair-plug/core/findings';
import { Button } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { CircuitNext } from '@/components/circuit-next';
import { EvidenceTable } from '@/components/evidence-table';
import { RefuseForm } from '@/components/refuse-form';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import { Triangle } from '@/components/triangle';
import { UrgencyMark } from '@/components/urgency-mark';
import type { Decisions } from '@/components/use-decisions';
import type { Recorder } from '@/local/use-recorder';
import { BehindCoverForm } from './behind-cover-form';
import classes from './cause-panel.module.css';
import type { PointedOut } from './standing';

export interface CausePanelProps {
  readonly job: string;
  readonly assessment: Assessment;
  readonly judged: JudgedCircuit;
  readonly cause: JudgedCause;
  /** As it is reported; null where nothing is proposed of it. */
  readonly finding: Finding | null;
  readonly decisions: Decisions | null;
  readonly record: Recorder | null;
  readonly nameOf: (id: string) => string;
  readonly onTake: (receptacle: string) => void;
  /** Points something out on the graph; null: what leads again. */
  readonly onPoint: (out: PointedOut | null) => void;
}

/** One cause: where it is, what it explains, what speaks for it, what to do about it. */
export function CausePanel(props: CausePanelProps) {
  const { assessment, judged, cause, nameOf, onTake } = props;
  const words = useWords();
  const { place, probability, receptacles } = cause;
  const table = receptacles.flatMap((id) => assessment.receptacles.get(id)?.judged?.table ?? []);
  const misfits = table.filter(({ fits }) => !fits).length;
  return (
    <section className={classes.panel} aria-label="Cause">
      <h2>
        {words.cause(cause.faults)} <span className={classes.share}>({words.share(probability)})</span>
      </h2>
      {place !== null && <p>{words.place(place, nameOf)}</p>}
      {props.finding !== null && <UrgencyMark urgency={props.finding.urgency} />}
      {props.finding?.proposal?.cautions.map((caution) => (
        <p key={caution} className={classes.caution}>
          {caution}
        </p>
      ))}
      <Decide {...props} />
      <OpenFirst assessment={assessment} cause={cause} nameOf={nameOf} />
      <h3>
        Explains {receptacles.length} {receptacles.length === 1 ? 'receptacle' : 'receptacles'}
      </h3>
      <ul className={classes.symptoms}>
        {receptacles.map((id) => {
          const one = assessment.receptacles.get(id);
          return (
            <li key={id}>
              <button type="button" onClick={() => onTake(id)}>
                <Triangle lamps={one?.lamps ?? null} corners={one?.verdict?.contacts} size={24} label="" />
                {nameOf(id)}
                <span>{one?.verdict == null ? 'not read' : words.verdict(one.verdict).headline}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <details className={classes.evidence} open={table.length <= 8}>
        <summary>
          {table.length} {table.length === 1 ? 'reading' : 'readings'} beside what it predicts
          {misfits > 0 && `, ${misfits} of them at odds`}
        </summary>
        <EvidenceTable table={table} nameOf={nameOf} />
      </details>
      <Elsewhere {...props} />
      <h3>What would settle it</h3>
      <p className={classes.next}>
        {judged.next === null && judged.unseen === null ? (
          'No test that may be made as things stand. The box decides.'
        ) : (
          <CircuitNext circuit={judged} nameOf={nameOf} onTake={onTake} />
        )}
      </p>
      <Alternatives {...props} />
    </section>
  );
}

/** Readings of the rest of the circuit, which speak for a place as much as those that it explains. */
function Elsewhere({ assessment, judged, cause, nameOf }: CausePanelProps) {
  const table = judged.receptacles
    .filter((id) => !cause.receptacles.includes(id))
    .flatMap((id) => assessment.receptacles.get(id)?.judged?.table ?? []);
  const misfits = table.filter(({ fits }) => !fits).length;
  if (table.length === 0) return null;
  return (
    <details className={classes.evidence} open={misfits > 0}>
      <summary>
        {table.length} more on the rest of the circuit
        {misfits > 0 && `, ${misfits} of them at odds`}
      </summary>
      <EvidenceTable table={table} nameOf={nameOf} />
    </details>
  );
}

function OpenFirst({ assessment, cause, nameOf }: Pick<CausePanelProps, 'assessment' | 'cause' | 'nameOf'>) {
  const words = useWords();
  const first = openFirstOf(assessment.house, cause);
  if (first === null) return null;
  const box = (at: string): string =>
    at === 'panel' ? `the ${words.screens.walk.panel.toLowerCase()}` : nameOf(at);
  const why = {
    alone: 'it can be nowhere else',
    most: 'the most probable box',
    near: 'about as probable as another, and nearest to hand',
  }[first.because];
  return (
    <p className={classes.open}>
      Open first: <strong>{box(first.at)}</strong>, {why} ({words.share(first.probability)}
      {first.boxes
        .slice(1, 3)
        .map(({ at, probability }) => `; ${box(at)} ${words.share(probability)}`)
        .join('')}
      ). <span className={classes.soft}>By a qualified person, with the power off and proved off.</span>
    </p>
  );
}

const decided = { open: 'Not decided', accepted: 'Accepted', refused: 'Refused' } as const;

function Decide({ job, judged, cause, finding, decisions, record, nameOf }: CausePanelProps) {
  const [isRefusing, refusing] = useDisclosure(false);
  const [isOpening, opening] = useDisclosure(false);
  return (
    <>
      {finding !== null && (
        <p className={classes.soft} role="status">
          {decided[finding.status]}
          {finding.status === 'refused' && finding.reason !== null && `: ${finding.reason}`}
        </p>
      )}
      {decisions !== null && record !== null && (
        <div className={classes.actions}>
          {finding !== null && finding.status === 'open' && (
            <>
              <Button size="sm" onClick={() => decisions.accept(finding)}>
                Accept
              </Button>
              <Button size="sm" variant="default" onClick={refusing.open}>
                Refuse …
              </Button>
            </>
          )}
          {finding !== null && finding.status !== 'open' && (
            <Button size="sm" variant="default" onClick={() => decisions.reopen(finding)}>
              Take back
            </Button>
          )}
          <Button size="sm" variant="default" onClick={opening.open}>
            Cover off …
          </Button>
        </div>
      )}
      {finding !== null && decisions !== null && (
        <Sheet opened={isRefusing} title="Refuse this cause" onClose={refusing.close}>
          <RefuseForm
            draftedAs={`refusal ${job} ${finding.key}`}
            onRefuse={(why) => {
              decisions.refuse(finding, why);
              refusing.close();
            }}
          />
        </Sheet>
      )}
      {record !== null && (
        <Sheet opened={isOpening} title="Behind the cover" onClose={opening.close}>
          <BehindCoverForm
            breaker={judged.breaker}
            cause={cause}
            nameOf={nameOf}
            onKeep={(entry) => {
              record(entry);
              opening.close();
            }}
          />
        </Sheet>
      )}
    </>
  );
}

/** Alternatives that are less probable are not listed. */
const worthListing = 0.01;

function Alternatives({ judged, onPoint }: Pick<CausePanelProps, 'judged' | 'onPoint'>) {
  const words = useWords();
  const others = judged.explanations.slice(1).filter(({ probability }) => probability >= worthListing);
  if (others.length === 0) return null;
  return (
    <>
      <h3>What else it may be</h3>
      <ul className={classes.alternatives} onPointerLeave={() => onPoint(null)}>
        {others.map((one) => {
          const point = (): void =>
            onPoint({
              receptacles: new Set(one.receptacles),
              suspects: new Set(one.faults.map(suspectId)),
            });
          return (
            <li key={JSON.stringify(one.faults)}>
              <button
                type="button"
                onPointerEnter={point}
                onFocus={point}
                onBlur={() => onPoint(null)}
                onClick={point}
              >
                {words.explanation({ ...one, isTripped: false })}
                {one.isShared && ', its neutral shared with another breaker'}
                <span>
                  {words.share(one.probability)}
                  {one.group === judged.explanations[0]?.group && ', shows the same'}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
