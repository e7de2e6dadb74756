import type { z } from 'zod';

/** What is wrong with one place of a file: where, what stands there, and what was expected. */
export interface Problem {
  /** JSON Pointer, "" for the whole file: `/cables/2/meters`. */
  readonly path: string;
  readonly value: unknown;
  readonly message: string;
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

function problemOf(input: unknown, issue: z.core.$ZodIssue): Problem {
  const path = issue.code === 'unrecognized_keys' ? [...issue.path, issue.keys[0] ?? ''] : issue.path;
  const message = issue.code === 'unrecognized_keys' ? 'unknown key' : issue.message;
  return { path: pointer(path), value: valueAt(input, path), message };
}

/** Parses an input by a schema; never throws. */
export function parseBy<S extends z.ZodType>(schema: S, input: unknown): Parsed<z.output<S>> {
  const result = schema.safeParse(input, { error: wording });
  if (result.success) return { kind: 'parsed', value: result.data };
  const [first, ...others] = result.error.issues.map((issue) => problemOf(input, issue));
  if (first === undefined) throw new Error('a failed parse without an issue');
  return { kind: 'problems', problems: [first, ...others] };
}

const oneOf = (values: readonly unknown[]): string =>
  `expected ${values.map((value) => JSON.stringify(value)).join(' or ')}`;

/** Zod's own words start with "Invalid input"; ours say what was expected. */
const wording: z.core.$ZodErrorMap = (issue) => {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined ? 'missing' : `expected ${issue.expected}`;
    case 'invalid_value':
      return oneOf(issue.values);
    case 'invalid_union':
      return 'options' in issue && Array.isArray(issue.options) ? oneOf(issue.options) : undefined;
    case 'too_small':
      return `expected ${issue.origin} ${issue.inclusive ? 'of at least' : 'above'} ${issue.minimum}`;
    case 'too_big':
      return `expected ${issue.origin} ${issue.inclusive ? 'of at most' : 'below'} ${issue.maximum}`;
    default:
      return undefined;
  }
};

const shown = (value: unknown): string => {
  if (value === undefined) return '';
  const text = JSON.stringify(value) ?? String(value);
  return ` (${text.length > 60 ? `${text.slice(0, 57)}…` : text})`;
};

/** "/cables/2/meters: expected number above 0 (-3)" */
export const inWords = ({ path, value, message }: Problem): string =>
  `${path === '' ? '/' : path}: ${message}${shown(value)}`;
