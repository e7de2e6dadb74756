import { z } from 'zod';
import { atMost, type Parsed, parseBy, type Wrong } from '../circuit/index.ts';
import {
  type BareLink,
  bareLinkSchema,
  canonicalJson,
  chainHeadSchema,
  hashSchema,
  headsOf,
  idSchema,
  inOrder,
  type JobEntry,
  jobEntrySchema,
  linkSchema,
  outOfOrder,
  textHash,
  textSchema,
  type Verified,
  verify,
} from '../log/index.ts';
import { enUs } from '../words/index.ts';

export const jobFileFormat = 'fair-plug/job@3';
/** Without links. */
const secondFormat = 'fair-plug/job@2';
/** Without the names of authors. */
const firstFormat = 'fair-plug/job@1';

/** More entries than any house takes; a file with more is no job. */
export const mostEntries = 20_000;

/** A whole job: its log, every entry as it was made. The house, its findings and its report follow from it. */
const body = { job: idSchema(), entries: z.array(jobEntrySchema()).min(1).max(mostEntries) };

/** Names of those who made the entries, by id: an imported job keeps its inspector's. */
const authors = z
  .record(idSchema(), textSchema(120))
  .refine((authors) => Object.keys(authors).length <= 500, { message: 'most:500:authors' });

/** What a file says of its chains beside the entries. */
const chains = {
  /** Links whose entries are not there: refused, or erased. */
  links: z.array(bareLinkSchema()).max(mostEntries),
  /** Where the chain of each device ended when the file was written. */
  heads: z.record(idSchema(), chainHeadSchema()),
  /** Hash of all that the file says beside its entries. */
  seal: hashSchema(),
};

export const jobFileSchema = z.discriminatedUnion('format', [
  z.strictObject({ format: z.literal(jobFileFormat), authors, ...chains, ...body }),
  z.strictObject({ format: z.literal(secondFormat), authors, ...body }),
  z.strictObject({ format: z.literal(firstFormat), ...body }),
]);

/** As much of a file as its chains need: what an entry says may be anything. */
const chainsSchema = z.looseObject({
  format: z.literal(jobFileFormat),
  job: z.unknown(),
  authors: z.unknown(),
  ...chains,
  entries: z
    .array(
      z.looseObject({
        id: z.string(),
        device: z.string(),
        author: z.string(),
        at: z.string(),
        clock: z.string().optional(),
        received: z.string().optional(),
        link: linkSchema().optional(),
      }),
    )
    .max(mostEntries),
});

export interface JobFile {
  readonly job: string;
  readonly entries: readonly JobEntry[];
  /** Names of those who made them, by id, as far as they are known. */
  readonly authors: Readonly<Record<string, string>>;
  /** Links of this log whose entries are not among them. */
  readonly links: readonly BareLink[];
}

/** What a file's seal covers. */
const sealed = ({
  job,
  authors,
  links,
  heads,
}: Readonly<Record<'job' | 'authors' | 'links' | 'heads', unknown>>) =>
  textHash(canonicalJson({ job, authors, links, heads }));

/** The text of a job file: entries in their one order, a line each, each entry once. */
export function writeJobFile({ job, entries, authors, links }: JobFile): string {
  const inTurn = [...new Map(entries.map((entry) => [entry.id, entry])).values()].sort(inOrder);
  const heads = headsOf(inTurn, links);
  const seal = sealed({ job, authors, links, heads });
  const head = canonicalJson({ format: jobFileFormat, job, authors, links, heads, seal });
  return `${head.slice(0, -1)},"entries":[\n${inTurn.map(canonicalJson).join(',\n')}\n]}\n`;
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
  const links = 'links' in parsed.value ? parsed.value.links : [];
  return { kind: 'parsed', value: { job, authors, entries: entries as readonly JobEntry[], links } };
}

/** What the chains of a job file say, and whether what stands beside its entries is as it was written. */
export interface VerifiedFile extends Verified {
  readonly isSealBroken: boolean;
}

/**
 * Checks the chains of a job file as it is, whatever its entries say. A file from before there were chains has none, and
 * nothing shows whether it was altered.
 */
export function verifyJobFile(value: unknown): Parsed<VerifiedFile> {
  const isOlder = [firstFormat, secondFormat].some(
    (format) => typeof value === 'object' && value !== null && 'format' in value && value.format === format,
  );
  if (isOlder) {
    const parsed = parseJobFile(value);
    if (parsed.kind === 'problems') return parsed;
    return { kind: 'parsed', value: { ...verify(parsed.value.entries), isSealBroken: false } };
  }
  const parsed = parseBy(chainsSchema, value);
  if (parsed.kind === 'problems') return parsed;
  const { entries, links, heads, seal } = parsed.value;
  const verified = verify(entries, links, heads);
  const altered = [...verified.altered, ...outOfOrder(entries)];
  const isSealBroken = seal !== sealed(parsed.value);
  const verdict = isSealBroken || altered.length > 0 ? 'altered' : verified.verdict;
  return { kind: 'parsed', value: { ...verified, altered, verdict, isSealBroken } };
}

export const jobJsonSchemas = () => ({
  'job.schema.json': {
    title: enUs.jobTitle,
    ...z.toJSONSchema(jobFileSchema, { io: 'input', unrepresentable: 'any' }),
  },
});
