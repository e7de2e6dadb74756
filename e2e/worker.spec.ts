import { readdirSync, readFileSync } from 'node:fs';
import { parseCircuit } from '@fair-plug/core/circuit';
import { simulate } from '@fair-plug/core/instruments';
import { expect, test } from '@playwright/test';
import { build } from 'esbuild';

const examples = new URL('../docs/formats/examples/', import.meta.url);

/** The core as one script for a worker: takes a circuit file, answers its readings. */
async function workerScript(): Promise<string> {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { parseCircuit } from '@fair-plug/core/circuit';
        import { simulate } from '@fair-plug/core/instruments';
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
  const script = await workerScript();
  await page.goto('about:blank');
  for (const file of readdirSync(examples)) {
    const { circuit } = JSON.parse(readFileSync(new URL(file, examples), 'utf8'));
    const parsed = parseCircuit(circuit);
    if (parsed.kind === 'problems') throw new Error(file);
    const inWorker = await page.evaluate(
      ([source, input]) =>
        new Promise((done, fail) => {
          const worker = new Worker(URL.createObjectURL(new Blob([source as string])));
          worker.onmessage = ({ data }) => done(data);
          worker.onerror = ({ message }) => fail(new Error(message));
          worker.postMessage(input);
        }),
      [script, circuit] as const,
    );
    expect(inWorker, file).toEqual(simulate(parsed.value));
  }
});
