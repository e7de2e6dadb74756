import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What ngspice, the open-source circuit simulator of Debian's package, is asked of one deck. For tests only. */
export interface DeckQuestion {
  /** As `netlist` prints it. */
  readonly deck: string;
  /** Elements added to it. */
  readonly elements?: readonly string[];
  /** Name and expression of each value: `['d0', 'mag(v(a) - v(b))']`. */
  readonly values: readonly (readonly [name: string, expression: string])[];
}

/** Values by name, a map a question, in their order; one process answers all of them. Missing where ngspice has none. */
export function byNgspice(questions: readonly DeckQuestion[]): readonly ReadonlyMap<string, number>[] {
  const folder = mkdtempSync(join(tmpdir(), 'fair-plug-spice-'));
  try {
    const script = questions.map(({ deck, elements = [], values }, index) => {
      const file = join(folder, `${index}.cir`);
      writeFileSync(file, deck.replace(/\.end\n$/, `${[...elements, '.end'].join('\n')}\n`));
      const asked = values.flatMap(([name, expression]) => [`let ${name} = ${expression}`, `print ${name}`]);
      return [`echo question ${index}`, `source ${file}`, 'run', ...asked, 'remcirc', 'destroy all'].join(
        '\n',
      );
    });
    const control = join(folder, 'control.cir');
    const lines = ['* all', '.control', 'set numdgt=12', ...script, 'quit', '.endc', '.end'];
    writeFileSync(control, `${lines.join('\n')}\n`);
    const output = execFileSync('ngspice', ['-b', control], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
      maxBuffer: 2 ** 28,
    });
    const [, ...answers] = output.split(/^question \d+$/m);
    if (answers.length !== questions.length) throw new Error(`ngspice stopped:\n${output.slice(-500)}`);
    return answers.map(
      (answer) =>
        new Map(
          [...answer.matchAll(/^(\w+) = (\S+)$/gm)].map(([, name = '', value]) => [name, Number(value)]),
        ),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}
