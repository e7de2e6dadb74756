import { parseArgs } from 'node:util';
import { commands } from './commands.ts';
import { convert, convertUsage } from './convert.ts';
import { type Input, readJson } from './input.ts';
import type { CommandResult } from './result.ts';

/** The streams a command reads and writes; a test hands in its own. */
export interface Streams {
  readonly stdin: AsyncIterable<Uint8Array | string>;
  readonly stdout: { write(text: string): unknown };
  readonly stderr: { write(text: string): unknown };
}

const usage = `Usage: fairplug COMMAND FILE…   (- reads standard input)
${Object.entries(commands)
  .map(([name, { does }]) => `  ${name.padEnd(11)} ${does}`)
  .join('\n')}
  convert     a job file into tables, a list of receptacles into a job

${convertUsage}

A file holds one JSON value or an array of them; an array is answered by an array, in order.
`;

/** The value of --kit, or null where the arguments are not just that. */
function kitOf(args: readonly string[]): string | null {
  try {
    return parseArgs({ args: [...args], options: { kit: { type: 'string' } } }).values.kit ?? null;
  } catch {
    return null;
  }
}

/**
 * Runs one command. Answers the exit status: 0, what the command found (the least of several files that is not 0), or 2
 * with the reason on stderr and nothing on stdout.
 */
export async function run(args: readonly string[], { stdin, stdout, stderr }: Streams): Promise<number> {
  const [name, ...files] = args;
  const refuse = (message: string): number => {
    stderr.write(`fairplug: ${message}\n`);
    return 2;
  };
  if (name === 'help' || name === '--help') {
    stdout.write(usage);
    return 0;
  }
  if (name === 'convert') {
    const result = await convert(files);
    if (result.kind === 'refused') return refuse(result.message);
    stdout.write(result.text);
    return 0;
  }
  const command = name !== undefined && Object.hasOwn(commands, name) ? commands[name] : undefined;
  if (command === undefined) return refuse(`no command ${JSON.stringify(name ?? '')}\n${usage}`);
  if (command.takes === 'a kit') {
    const kit = kitOf(files);
    if (kit === null) return refuse(`${name} takes --kit with instruments, nothing else\n${usage}`);
    const result = command.answer(kit);
    if (result.kind === 'refused') return refuse(result.message);
    stdout.write(result.text);
    return 0;
  }
  if (files.length === 0) return refuse(`${name} needs ${command.takes}\n${usage}`);
  const answers: string[] = [];
  const statuses: number[] = [];
  for (const file of files) {
    const input: Input =
      command.takes === 'a file' ? await readJson(file, stdin) : { kind: 'read', value: file };
    if (input.kind === 'unreadable') return refuse(input.message);
    const result: CommandResult = command.answer(input.value);
    if (result.kind === 'refused') return refuse(`${file}: ${result.message}`);
    answers.push(result.text);
    if (result.status !== undefined && result.status !== 0) statuses.push(result.status);
  }
  stdout.write(answers.join(''));
  return statuses.length === 0 ? 0 : Math.min(...statuses);
}
