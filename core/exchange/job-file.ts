import { z } from 'zod';
import { atMost, type Parsed, parseBy, type Wrong } from '../circuit/index.ts';
import { idSchema, inOrder, type JobEntry, jobEntrySchema, textSchema } from '../log/index.ts';
import { enUs } from '../words/index.ts';

export const jobFileFormat = 'fair-plug/job@2';
/** Without the names of authors. */
const firstFormat = 'fair-plug/job@1';

/** More entries than any house takes; a file with more is no job. */
export const mostEntries = 20_000;

/** A whole job: its log, every entry as it was made. The house, its findings and its report follow from it. */
const body = { job: idSchema, entries: z.array(jobEntrySchema).min(1).max(mostEntries) };

export const jobFileSchema = z.discriminatedUnion('format', [
  z.strictObject({
    format: z.literal(jobFileFormat),
    /** Names of those who made the entries, by id: an imported job keeps its inspector's. */
    authors: z
      .record(idSchema, textSchema(120))
      .refine((authors) => Object.keys(authors).length <= 500, { message: 'most:500:authors' }),
    ...body,
  }),
  z.strictObject({ format: z.literal(firstFormat), ...body }),
]);

export interface JobFile {
  readonly job: string;
  readonly entries: readonly JobEntry[];
  /** Names of those who made them, by id, as far as they are known. */
  readonly authors: Readonly<Record<string, string>>;
}

/** JSON with the keys of every object in the order of their text: equal values give equal bytes. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((one) => canonicalJson(one ?? null)).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const fields = Object.entries(value)
    .filter(([, field]) => field !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, field]) => `${JSON.stringify(key)}:${canonicalJson(field)}`);
  return `{${fields.join(',')}}`;
}

/** The text of a job file: entries in their one order, a line each, each entry once. */
export function writeJobFile({ job, entries, authors }: JobFile): string {
  const lines = [...new Map(entries.map((entry) => [entry.id, entry])).values()]
    .sort(inOrder)
    .map(canonicalJson);
  return `{"format":${JSON.stringify(jobFileFormat)},"job":${JSON.stringify(job)},"authors":${canonicalJson(authors)},"entries":[\n${lines.join(',\n')}\n]}\n`;
}

/** Longest text taken for a job file, in characters. */
const longestText = 40_000_000;
/** No entry nests deeper than this; it is checked before anything walks the value. */
const deepest = 24;

/** How deep brackets nest in a JSON text, outside of its strings. */
function depthOf(text: string): number {
  let depth = 0;
  let most = 0;
  let isInString = false;
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at);
    if (isInString) {
      if (code === 0x5c) at += 1;
      else if (code === 0x22) isInString = false;
    } else if (code === 0x22) isInString = true;
    else if (code === 0x5b || code === 0x7b) {
      depth += 1;
      most = Math.max(most, depth);
    } else if (code === 0x5d || code === 0x7d) depth -= 1;
  }
  return most;
}

const refused = (value: unknown, wrong: Wrong): Parsed<never> => ({
  kind: 'problems',
  problems: [{ path: '', value, wrong }],
});

/** A job file's text, parsed; says what is wrong with it, and where, and never throws. */
export function parseJobText(text: string): Parsed<JobFile> {
  if (text.length > longestText) return refused(null, atMost(longestText, 'characters'));
  if (depthOf(text) > deepest) return refused(null, atMost(deepest, 'nesting'));
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refused(null, { code: 'no-json' });
  }
  return parseJobFile(value);
}

export function parseJobFile(value: unknown): Parsed<JobFile> {
  const parsed = parseBy(jobFileSchema, value);
  if (parsed.kind === 'problems') return parsed;
  const { job, entries } = parsed.value;
  const authors = 'authors' in parsed.value ? parsed.value.authors : {};
  return { kind: 'parsed', value: { job, authors, entries: entries as readonly JobEntry[] } };
}

export const jobJsonSchemas = () => ({
  'job.schema.json': {
    title: enUs.jobTitle,
    ...z.toJSONSchema(jobFileSchema, { io: 'input', unrepresentable: 'any' }),
  },
});
