'use client';

import { protectionMapOf } from '@fair-plug/core/findings';
import { receptaclesOf } from '@fair-plug/core/log';
import { surveyOf } from '@fair-plug/core/report';
import { Button, SegmentedControl } from '@mantine/core';
import { useDisclosure, useMediaQuery } from '@mantine/hooks';
import { useCallback, useMemo, useRef } from 'react';
import { BreakerOff } from '@/components/breaker-off';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import { useDecisions } from '@/components/use-decisions';
import { useDrawn } from '@/components/use-drawn';
import { useKeys } from '@/components/use-keys';
import { whenUsed } from '@/components/when-used';
import { useAssessment } from '@/local/use-assessment';
import { useFindings } from '@/local/use-findings';
import { useRecorder } from '@/local/use-recorder';
import { JobFrame } from '@/shell/job-frame';
import { JobLoader, type LoadedJob } from '@/shell/job-loader';
import { CausePanel } from './cause-panel';
import { CircuitList } from './circuit-list';
import classes from './circuits-screen.module.css';
import { graphOf, type Protection } from './graph-model';
import { Groupings } from './groupings';
import { runChartData } from './run-chart-rows';
import { RunOrderPanel } from './run-order';
import { useTaken, type View, views } from './use-taken';
import { breakerNames, wiredCircuits } from './wired';

const CircuitGraph = whenUsed(() => import('./circuit-graph').then((one) => one.CircuitGraph));
const RunChart = whenUsed(() => import('./run-chart').then((one) => one.RunChart));
const WhatIf = whenUsed(() => import('./what-if').then((one) => one.WhatIf));
const ProtectionView = whenUsed(() => import('./protection-view').then((one) => one.ProtectionView));

export function CircuitsScreen() {
  return <JobLoader>{(loaded) => <Circuits key={loaded.job} {...loaded} />}</JobLoader>;
}

/** One cause, many symptoms, one place to open first: the house from its panel. */
function Circuits({ job, house, isWhole }: LoadedJob) {
  const assessed = useAssessment(job, house);
  const { assessment } = assessed;
  const survey = useMemo(() => surveyOf(assessment), [assessment]);
  const circuits = useMemo(() => wiredCircuits(assessment), [assessment]);
  const names = useMemo(() => new Map(receptaclesOf(house).map(({ id, name }) => [id, name])), [house]);
  const nameOf = useCallback((id: string): string => names.get(id) ?? '', [names]);
  const record = useRecorder(job);
  const taken = useTaken(circuits);
  const [isSwitching, switching] = useDisclosure(false);
  const isNarrow = useMediaQuery('(max-width: 70em)', false);
  const behind = useRef<HTMLElement>(null);
  const take = useDrawn((breaker: string | null): void => {
    taken.takeBreaker(breaker);
    // Where the list stands above it, what was tapped is brought in sight.
    if (isNarrow && breaker !== null) requestAnimationFrame(() => behind.current?.scrollIntoView());
  });
  useKeys([
    ['ArrowDown', () => taken.step(1)],
    ['ArrowUp', () => taken.step(-1)],
    ['Escape', () => taken.takeBreaker(null)],
    ...views.map(({ id }, index): [string, () => void] => [String(index + 1), () => taken.see(id)]),
  ]);
  const screen = { job, house, assessment, circuits, nameOf, record, taken };
  return (
    <JobFrame job={job} house={house} isWhole={isWhole} survey={survey} assessed={assessed} stage="circuits">
      <div className={classes.screen}>
        <nav className={classes.side} aria-label="Circuits">
          <header className={classes.head}>
            <h1>Circuits</h1>
            <Button size="compact-sm" variant="default" onClick={() => taken.takeBreaker(null)}>
              Whole house
            </Button>
          </header>
          <Groupings assessment={assessment} record={record} nameOf={nameOf} />
          <CircuitList
            assessment={assessment}
            circuits={circuits}
            current={taken.circuit?.breaker ?? null}
            nameOf={nameOf}
            onTake={take}
          />
          {record !== null && (
            <Button variant="default" onClick={switching.open}>
              Which went dead?
            </Button>
          )}
        </nav>
        <section className={classes.middle} aria-label="Circuit">
          <header className={classes.bar}>
            <h2>
              {taken.view === 'protection'
                ? 'Protection'
                : taken.circuit === null
                  ? 'The house from its panel'
                  : `Breaker ${breakerNames(taken.circuit)}`}
              {taken.view !== 'protection' && (
                <span className={classes.soft}> {taken.circuit?.position?.feeds ?? ''}</span>
              )}
            </h2>
            <SegmentedControl
              aria-label="View"
              data={views.map(({ id, name }) => ({ value: id, label: name }))}
              value={taken.view}
              onChange={(view) => taken.see(view as View)}
            />
          </header>
          <div className={classes.view} data-view={taken.view}>
            <Seen {...screen} />
          </div>
        </section>
        <aside ref={behind} className={classes.cause} aria-label="What is behind it">
          <Cause {...screen} />
        </aside>
      </div>
      <Sheet opened={isSwitching} title="Which went dead?" onClose={switching.close}>
        {record !== null && (
          <BreakerOff
            job={job}
            house={house}
            of={taken.circuit?.breaker ?? ''}
            record={(_, ...parts) => record(...parts)}
            onClose={switching.close}
          />
        )}
      </Sheet>
    </JobFrame>
  );
}

interface ScreenProps {
  readonly job: string;
  readonly house: LoadedJob['house'];
  readonly assessment: ReturnType<typeof useAssessment>['assessment'];
  readonly circuits: ReturnType<typeof wiredCircuits>;
  readonly nameOf: (id: string) => string;
  readonly record: ReturnType<typeof useRecorder>;
  readonly taken: ReturnType<typeof useTaken>;
}

/** What is in the middle: the graph, or another look at the circuit that is taken. */
function Seen({ house, assessment, circuits, nameOf, record, taken }: ScreenProps) {
  const words = useWords();
  const { circuit, view } = taken;
  const protection = useMemo(() => {
    const { devices, uncovered } = protectionMapOf(house);
    return new Map<string, Protection>([
      ...uncovered.map(({ id, isMissing }) => [id, { as: isMissing ? 'missing' : 'upgrade' }] as const),
      ...devices.flatMap(({ name, isBreaker, covers }) =>
        covers.map((id) => [id, { as: 'covered', by: isBreaker ? `breaker ${name}` : name }] as const),
      ),
      ...devices.filter(({ isBreaker }) => !isBreaker).map(({ id }) => [id, { as: 'device' }] as const),
    ]);
  }, [house]);
  const graph = useMemo(
    () => graphOf(assessment, circuits, protection, words.screens.walk.panel),
    [assessment, circuits, protection, words],
  );
  const judged = circuit?.judged ?? null;
  switch (view) {
    case 'graph':
      return (
        <CircuitGraph
          graph={graph}
          breaker={circuit?.breaker ?? null}
          pointedOut={taken.pointedOut}
          onTakeReceptacle={taken.takeReceptacle}
          onTakeBreaker={taken.takeBreaker}
        />
      );
    case 'volts': {
      const data = judged === null ? null : runChartData(assessment, judged);
      return data === null ? <Nothing circuit={circuit} /> : <RunChart {...data} />;
    }
    case 'what-if':
      return judged === null ? (
        <Nothing circuit={circuit} />
      ) : (
        <WhatIf
          key={`${judged.breaker} ${JSON.stringify(judged.explanations[0]?.faults)}`}
          assessment={assessment}
          judged={judged}
          nameOf={nameOf}
        />
      );
    case 'order':
      return (
        <RunOrderPanel
          key={circuit?.breaker ?? ''}
          assessment={assessment}
          circuits={circuits}
          breaker={circuit?.breaker ?? null}
          record={record}
          nameOf={nameOf}
        />
      );
    case 'protection':
      return <ProtectionView assessment={assessment} nameOf={nameOf} />;
  }
}

const Nothing = ({ circuit }: { readonly circuit: ScreenProps['taken']['circuit'] }) => (
  <p>
    {circuit === null
      ? 'Take a circuit first.'
      : 'This circuit is judged once two of its receptacles are on it and one was read.'}
  </p>
);

/** The causes of the circuit that is taken, one of them in full. */
function Cause({ job, assessment, nameOf, record, taken }: ScreenProps) {
  const words = useWords();
  const findings = useFindings(assessment);
  const decisions = useDecisions(record);
  const { circuit, cause, causes } = taken;
  if (circuit?.judged == null)
    return <p className={classes.soft}>Take a circuit or a receptacle to see what is behind it.</p>;
  if (cause === null)
    return (
      <p className={classes.soft}>
        {circuit.judged.isFinal ? 'Nothing wrong is held on this circuit.' : 'This circuit is being judged.'}
      </p>
    );
  return (
    <>
      {causes.length > 1 && (
        <SegmentedControl
          aria-label="Causes"
          orientation="vertical"
          fullWidth
          data={causes.map(({ id, faults }) => ({ value: id, label: words.cause(faults) }))}
          value={cause.id}
          onChange={taken.takeCause}
        />
      )}
      <CausePanel
        key={`${circuit.breaker} ${cause.id}`}
        job={job}
        assessment={assessment}
        judged={circuit.judged}
        cause={cause}
        finding={findings.find(({ key }) => key === `cause:${circuit.breaker}:${cause.id}`) ?? null}
        decisions={decisions}
        record={record}
        nameOf={nameOf}
        onTake={(id) => taken.takeReceptacle(id, circuit.breaker)}
        onPoint={taken.point}
      />
    </>
  );
}
