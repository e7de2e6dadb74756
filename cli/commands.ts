import { judgeByLamps } from '@fair-plug/core/assessment';
import {
  type Circuit,
  netlist,
  type Parsed,
  type Problem,
  parseCircuit,
  parseReadings,
  simulate,
} from '@fair-plug/core/circuit';
import {
  blindSpots,
  type DiagnosisInput,
  diagnosisOf,
  parseDiagnosisInput,
  searchTime,
  usualLimits,
} from '@fair-plug/core/engine';
import { type InstrumentId, instrumentIds, lampPatterns, lampsOf } from '@fair-plug/core/instruments';
import { enUs, problemInWords } from '@fair-plug/core/words';

import type { CommandResult } from './result.ts';
import { verified } from './verify.ts';

export interface Command {
  readonly does: string;
  readonly takes: 'a file' | 'a pattern' | 'a kit';
  readonly answer: (input: unknown) => CommandResult;
}

const answered = (text: string): CommandResult => ({ kind: 'answered', text });
const asJson = (value: unknown): CommandResult => answered(`${JSON.stringify(value, null, 1)}\n`);

/** More problems than these help nobody. */
const shownProblems = 10;

function refused(problems: readonly Problem[], prefix: string): CommandResult {
  const lines = problems
    .slice(0, shownProblems)
    .map((problem) => problemInWords({ ...problem, path: prefix + problem.path }));
  const more = problems.length > shownProblems ? [`… and ${problems.length - shownProblems} more`] : [];
  return { kind: 'refused', message: [...lines, ...more].join('\n') };
}

/** Applies a command to one parsed value or to each of an array, whose paths then start with their position. */
function each<T, R>(
  input: unknown,
  parse: (value: unknown) => Parsed<T>,
  work: (value: T) => R,
  answer: (results: R | readonly R[]) => CommandResult,
): CommandResult {
  if (!Array.isArray(input)) {
    const parsed = parse(input);
    return parsed.kind === 'problems' ? refused(parsed.problems, '') : answer(work(parsed.value));
  }
  const values: T[] = [];
  for (const [index, one] of input.entries()) {
    const parsed = parse(one);
    if (parsed.kind === 'problems') return refused(parsed.problems, `/${index}`);
    values.push(parsed.value);
  }
  return answer(values.map(work));
}

const formats = {
  'fair-plug/circuit@1': parseCircuit,
  'fair-plug/readings@1': parseReadings,
} as const;

function parseAny(value: unknown): Parsed<unknown> {
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  for (const [name, parse] of Object.entries(formats)) if (name === format) return parse(value);
  const wrong = { code: 'value', expected: Object.keys(formats) } as const;
  return { kind: 'problems', problems: [{ path: '/format', value: format, wrong }] };
}

function verdictOn(name: unknown): CommandResult {
  const pattern = lampPatterns.find((known) => known === name);
  if (pattern === undefined)
    return { kind: 'refused', message: `no such pattern; expected one of ${lampPatterns.join(', ')}` };
  return asJson(judgeByLamps({ lamps: lampsOf(pattern) }));
}

/**
 * Longest that one circuit of many may take, by the clock and of the processor's time; past it the best answer stands
 * and says that it was stopped early.
 */
const mostMilliseconds = 5000;
const mostProcessorMilliseconds = 4000;

function diagnosedInTime(input: DiagnosisInput) {
  const started = performance.now();
  const before = process.cpuUsage();
  const outlets = input.circuit?.outlets.length ?? 0;
  const [byClock, ofProcessor] = [mostMilliseconds, mostProcessorMilliseconds].map((most) =>
    searchTime(most, outlets),
  ) as [number, number];
  return diagnosisOf(input, enUs, {
    ...usualLimits,
    isOver: () => performance.now() - started > byClock || process.cpuUsage(before).user / 1000 > ofProcessor,
  });
}

const isInstrument = (name: string): name is InstrumentId => instrumentIds.some((known) => known === name);

function blindSpotsOf(kit: unknown): CommandResult {
  const names = typeof kit === 'string' ? kit.split(',').filter((name) => name !== '') : [];
  const unknown = names.find((name) => !isInstrument(name));
  if (names.length === 0 || unknown !== undefined)
    return {
      kind: 'refused',
      message: `no such instrument${unknown === undefined ? '' : ` (${unknown})`}; expected some of ${instrumentIds.join(',')}`,
    };
  return answered(
    blindSpots(names.filter(isInstrument))
      .map((id) => `${id}\n`)
      .join(''),
  );
}

export const commands: Readonly<Record<string, Command>> = {
  simulate: {
    does: 'what every test of a circuit file shows',
    takes: 'a file',
    answer: (input) => each(input, parseCircuit, simulate, asJson),
  },
  netlist: {
    does: 'a circuit file as a SPICE deck',
    takes: 'a file',
    answer: (input) =>
      each<Circuit, string>(input, parseCircuit, netlist, (deck) =>
        typeof deck === 'string' ? answered(deck) : asJson(deck),
      ),
  },
  validate: {
    does: 'whether a circuit or readings file is sound: says nothing, or what is wrong',
    takes: 'a file',
    answer: (input) =>
      each(
        input,
        parseAny,
        () => null,
        () => answered(''),
      ),
  },
  diagnose: {
    does: 'what explains some readings, where it sits, what is not ruled out, and the next test',
    takes: 'a file',
    answer: (input) => each(input, parseDiagnosisInput, diagnosedInTime, asJson),
  },
  verify: {
    does: 'whether a job file is what its devices entered: ends with 0 intact, 1 altered, 3 pending (something is missing)',
    takes: 'a file',
    answer: verified,
  },
  'blind-spots': {
    does: 'which conditions a kit would read as correct: --kit lamps,meter,…',
    takes: 'a kit',
    answer: blindSpotsOf,
  },
  verdict: {
    does: `what a pattern of three lamps means and leaves open: ${lampPatterns.join(' ')}`,
    takes: 'a pattern',
    answer: verdictOn,
  },
};
