import { run } from './run.ts';

/** Runs the command with a text for standard input; answers what it wrote and how it ended. */
export async function fairplug(args: readonly string[], stdin = '') {
  let stdout = '';
  let stderr = '';
  const status = await run(args, {
    stdin: (async function* () {
      yield stdin;
    })(),
    stdout: { write: (text: string) => (stdout += text) },
    stderr: { write: (text: string) => (stderr += text) },
  });
  return { status, stdout, stderr };
}
