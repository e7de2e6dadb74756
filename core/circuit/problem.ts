import type { z } from 'zod';

/** What may be wrong with a value, where a code says it all. */
export const wrongCodes = [
  'missing',
  'unknown-key',
  'malformed',
  'panel-is-no-outlet',
  'one-size',
  'only-locked-out-leaves-a-pole',
  'two-conductors',
  'one-site',
  'outlet-listed',
  'cable-listed',
  'no-panel-or-outlet',
  'no-outlet-at-end',
  'ends-where-it-begins',
  'no-outlet',
  'no-cable',
  'device-listed',
  'no-button',
  'no-device',
  'not-fed',
  'more-than-one-ring',
  'ring-not-at-panel',
  'ring-of-two-legs',
  'no-such-leg',
  'faults-given',
  'no-circuit',
  'no-json',
  'space-at-an-end',
  'broken-characters',
  'no-such-view',
  'odd-coordinates',
  'each-pair-once',
  'no-picture',
  'no-value',
] as const;
export type WrongCode = (typeof wrongCodes)[number];

/** What is wrong with a value, and what was expected instead. */
export type Wrong =
  | { readonly code: WrongCode }
  | { readonly code: 'type'; readonly expected: string }
  | { readonly code: 'value'; readonly expected: readonly unknown[] }
  | {
      readonly code: 'least' | 'most';
      /** What is bounded: "number", "string", "array", "points", "characters", "authors", "nesting". */
      readonly of: string;
      readonly bound: number | bigint;
      /** Whether the bound itself is allowed. */
      readonly inclusive: boolean;
    };

export const atMost = (bound: number, of: string): Wrong => ({ code: 'most', of, bound, inclusive: true });

/** What is wrong with one place of a file: where, what stands there, and what was expected. */
export interface Problem {
  /** JSON Pointer, "" for the whole file: `/cables/2/meters`. */
  readonly path: string;
  readonly value: unknown;
  readonly wrong: Wrong;
}

export type Parsed<T> =
  | { readonly kind: 'parsed'; readonly value: T }
  | { readonly kind: 'problems'; readonly problems: readonly [Problem, ...Problem[]] };

const pointer = (path: readonly PropertyKey[]): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  let value = input;
  for (const part of path) {
    if (typeof value !== 'object' || value === null) return undefined;
    value = Object.hasOwn(value, part) ? (value as Record<PropertyKey, unknown>)[part] : undefined;
  }
  return value;
}

const isCode = (text: string): text is WrongCode => wrongCodes.some((code) => code === text);

/** Schemas say a code of their own, or `most:3000:points`, where nothing else tells what is wrong. */
function wrongBy(message: string): Wrong {
  if (isCode(message)) return { code: message };
  const [most, bound, of] = message.split(':');
  return most === 'most' && of !== undefined ? atMost(Number(bound), of) : { code: 'malformed' };
}

function wrongOf(issue: z.core.$ZodIssue, value: unknown): Wrong {
  switch (issue.code) {
    case 'unrecognized_keys':
      return { code: 'unknown-key' };
    case 'invalid_type':
      return value === undefined ? { code: 'missing' } : { code: 'type', expected: issue.expected };
    case 'invalid_value':
      return { code: 'value', expected: issue.values };
    case 'invalid_union':
      return 'options' in issue && Array.isArray(issue.options)
        ? { code: 'value', expected: issue.options }
        : { code: 'malformed' };
    case 'too_small':
      return { code: 'least', of: issue.origin, bound: issue.minimum, inclusive: issue.inclusive !== false };
    case 'too_big':
      return { code: 'most', of: issue.origin, bound: issue.maximum, inclusive: issue.inclusive !== false };
    default:
      return wrongBy(issue.message);
  }
}

function problemOf(input: unknown, issue: z.core.$ZodIssue): Problem {
  const path = issue.code === 'unrecognized_keys' ? [...issue.path, issue.keys[0] ?? ''] : issue.path;
  const value = valueAt(input, path);
  return { path: pointer(path), value, wrong: wrongOf(issue, value) };
}

/** Parses an input by a schema; never throws. */
export function parseBy<S extends z.ZodType>(schema: S, input: unknown): Parsed<z.output<S>> {
  const result = schema.safeParse(input);
  if (result.success) return { kind: 'parsed', value: result.data };
  const [first, ...others] = result.error.issues.map((issue) => problemOf(input, issue));
  if (first === undefined) throw new Error('a failed parse without an issue');
  return { kind: 'problems', problems: [first, ...others] };
}
