import { judgeByLamps } from '@fair-plug/core/diagnosis';
import { lampPatterns, lampsOf } from '@fair-plug/core/instruments';

/** The streams a command writes to; a test hands in its own. */
export interface Streams {
  readonly stdout: { write(text: string): unknown };
  readonly stderr: { write(text: string): unknown };
}

const usage = `Usage: fairplug verdict PATTERN…
  What a pattern of three lamps means and what it leaves open, as JSON.
  Patterns, by the lit pairs: ${lampPatterns.join(' ')}
`;

/** Runs one command. Answers the exit status: 0, or 2 for wrong arguments, with the message on stderr alone. */
export async function run(args: readonly string[], { stdout, stderr }: Streams): Promise<number> {
  const [command, ...names] = args;
  if (command === 'help' || command === '--help') {
    stdout.write(usage);
    return 0;
  }
  const refuse = (message: string): number => {
    stderr.write(`fairplug: ${message}\n`);
    return 2;
  };
  if (command !== 'verdict' || names.length === 0) return refuse(`unknown command\n${usage}`);
  const verdicts = [];
  for (const name of names) {
    const pattern = lampPatterns.find((known) => known === name);
    if (pattern === undefined)
      return refuse(`no pattern "${name}"; expected one of ${lampPatterns.join(', ')}`);
    verdicts.push(judgeByLamps({ lamps: lampsOf(pattern) }));
  }
  stdout.write(`${JSON.stringify(verdicts.length === 1 ? verdicts[0] : verdicts, null, 2)}\n`);
  return 0;
}
