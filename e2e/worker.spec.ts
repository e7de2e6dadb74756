import { readdirSync, readFileSync } from 'node:fs';
import { parseCircuit, simulate } from '@fair-plug/core/circuit';
import { expect } from '@playwright/test';
import { build } from 'esbuild';
import { test } from './own-firm.ts';

const examples = new URL('../docs/formats/examples/', import.meta.url);

/** The core as one script for a worker: takes a circuit file, answers its readings. */
async function workerScript(): Promise<string> {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { parseCircuit, simulate } from '@fair-plug/core/circuit';
                onmessage = ({ data }) => {
          const parsed = parseCircuit(data);
          postMessage(parsed.kind === 'parsed' ? simulate(parsed.value) : parsed);
        };`,
      resolveDir: import.meta.dirname,
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
  });
  return outputFiles[0]?.text ?? '';
}

test('the core answers the same in a web worker as in Node', async ({ page }) => {
  const circuits = readdirSync(examples).map((file) => ({
    file,
    circuit: JSON.parse(readFileSync(new URL(file, examples), 'utf8')).circuit,
  }));
  await page.goto('about:blank');
  const inWorker = await page.evaluate(
    ([source, inputs]) =>
      new Promise<unknown[]>((done, fail) => {
        const worker = new Worker(URL.createObjectURL(new Blob([source])));
        const answers: unknown[] = [];
        worker.onmessage = ({ data }) => {
          answers.push(data);
          if (answers.length === inputs.length) done(answers);
        };
        worker.onerror = ({ message }) => fail(new Error(message));
        for (const input of inputs) worker.postMessage(input);
      }),
    [await workerScript(), circuits.map(({ circuit }) => circuit)] as const,
  );
  circuits.forEach(({ file, circuit }, index) => {
    const parsed = parseCircuit(circuit);
    if (parsed.kind === 'problems') throw new Error(file);
    expect(inWorker[index], file).toEqual(simulate(parsed.value));
  });
});
