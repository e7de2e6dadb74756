'use client';

import { Button, FileButton, NativeSelect, Switch } from '@mantine/core';
import { useMounted } from '@mantine/hooks';
import { useState } from 'react';
import { Frame } from '@/shell/frame';
import classes from './bench.module.css';
import { longer, longestRun, shorter, withGrounds } from './bench-circuit';
import { DiagnosePanel } from './diagnose-panel';
import { lessons } from './lessons';
import { ReadingPanel } from './reading-panel';
import { RunDrawing } from './run-drawing';
import { SitePanel } from './site-panel';
import { type Bench, useBench } from './use-bench';

/** Hands the circuit to the browser as a file. */
function save({ circuit }: Bench): void {
  const url = URL.createObjectURL(
    new Blob([`${JSON.stringify(circuit, null, 2)}\n`], { type: 'application/json' }),
  );
  const link = document.createElement('a');
  link.href = url;
  link.download = 'circuit.json';
  link.click();
  URL.revokeObjectURL(url);
}

/** A circuit to put faults into, with every instrument at hand. */
export function BenchScreen() {
  const bench = useBench();
  const { circuit } = bench;
  // What is chosen before the page has taken over its controls would be lost: until then they do not answer.
  const isReady = useMounted();
  const [isHidden, setHidden] = useState(false);
  return (
    <Frame head={<h1 className={classes.title}>Bench</h1>}>
      <fieldset className={classes.bench} disabled={!isReady}>
        <div className={classes.tools}>
          <NativeSelect
            aria-label="Begin with"
            value=""
            data={[{ value: '', label: 'Begin with …' }, ...lessons.map(({ name }) => name)]}
            onChange={(event) => {
              const lesson = lessons.find(({ name }) => name === event.currentTarget.value);
              if (lesson) bench.change(lesson.circuit());
            }}
          />
          <Button
            variant="default"
            size="sm"
            disabled={circuit.outlets.length >= longestRun}
            onClick={() => bench.change(longer(circuit))}
          >
            Longer
          </Button>
          <Button
            variant="default"
            size="sm"
            disabled={circuit.outlets.length < 2}
            onClick={() => bench.change(shorter(circuit))}
          >
            Shorter
          </Button>
          <Switch
            label="Breaker on"
            checked={circuit.breaker.on}
            onChange={(event) =>
              bench.change({ ...circuit, breaker: { ...circuit.breaker, on: event.currentTarget.checked } })
            }
          />
          <Switch
            label="Cables with ground"
            checked={circuit.cables.every((cable) => cable.ground)}
            onChange={(event) => bench.change(withGrounds(circuit, event.currentTarget.checked))}
          />
          <span className={classes.files}>
            <Button size="sm" aria-pressed={isHidden} onClick={() => setHidden(!isHidden)}>
              {isHidden ? 'Show the faults' : 'Diagnose this'}
            </Button>
            <FileButton accept="application/json,.json" onChange={(file) => file && void bench.open(file)}>
              {(props) => (
                <Button variant="default" size="sm" {...props}>
                  Open file
                </Button>
              )}
            </FileButton>
            <Button variant="default" size="sm" onClick={() => save(bench)}>
              Save file
            </Button>
          </span>
        </div>
        {bench.refused !== null && (
          <p className={classes.refused} role="alert">
            Not opened. {bench.refused}
          </p>
        )}
        {isHidden ? (
          <DiagnosePanel circuit={circuit} />
        ) : (
          <>
            <RunDrawing bench={bench} />
            <div className={classes.halves}>
              <SitePanel bench={bench} />
              <ReadingPanel bench={bench} />
            </div>
          </>
        )}
      </fieldset>
    </Frame>
  );
}
