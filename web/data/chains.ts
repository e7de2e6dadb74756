import {
  type BareLink,
  bodyHash,
  type ChainHead,
  type Entry,
  type Link,
  linkHash,
} from '@fair-plug/core/log';
import type { Transaction } from 'kysely';
import type { FirmData } from './firm-data.ts';
import type { Database } from './schema.ts';

/**
 * A link does not go with those that stand. A device that entered it itself goes on from `head`, where its chain ends
 * here: so does one whose browser was put back to an earlier state.
 */
export interface Unlinked {
  readonly kind: 'chain';
  readonly device: string;
  readonly entry: string | null;
  readonly head: ChainHead | null;
}

interface Arriving extends BareLink {
  readonly entry: string | null;
}

/** A link that stands or arrives; whose entry is there or not. */
type Known = Link & { readonly entry: string | null };

const isSame = (a: Link, b: Link): boolean => linkHash(a) === linkHash(b);

/** Whether a link goes with those beside it in its device's chain, as far as they are there. */
function fits(link: Link, known: ReadonlyMap<number, Link>): boolean {
  const { place, after } = link;
  const [before, here, next] = [known.get(place - 1), known.get(place), known.get(place + 1)];
  if (here !== undefined && !isSame(here, link)) return false;
  if ((place === 1) !== (after === null)) return false;
  if (before !== undefined && after !== linkHash(before)) return false;
  return next === undefined || next.after === linkHash(link);
}

/** Links of a device that stand, from one place to another. */
async function standing(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  device: string,
  [from, to]: readonly [number, number],
): Promise<Map<number, Known>> {
  const rows = await transaction
    .selectFrom('link')
    .select(['place', 'after', 'body', 'entry'])
    .where('organization', '=', firm.id)
    .where('log', '=', log)
    .where('device', '=', device)
    .where('place', '>=', from)
    .where('place', '<=', to)
    .execute();
  return new Map(rows.map((row) => [row.place, row]));
}

async function unlinked(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  device: string,
  entry: string | null,
): Promise<Unlinked> {
  const last = await transaction
    .selectFrom('link')
    .select(['place', 'after', 'body'])
    .where('organization', '=', firm.id)
    .where('log', '=', log)
    .where('device', '=', device)
    .orderBy('place', 'desc')
    .limit(1)
    .executeTakeFirst();
  const head = last === undefined ? null : { place: last.place, hash: linkHash(last) };
  return { kind: 'chain', device, entry, head };
}

function byDevice(arriving: readonly Arriving[]): ReadonlyMap<string, readonly Arriving[]> {
  const devices = new Map<string, Arriving[]>();
  for (const one of arriving) devices.set(one.device, [...(devices.get(one.device) ?? []), one]);
  return devices;
}

/**
 * Checks the links of entries that arrive, and bare ones, against what stands, and keeps them; null where all go
 * together. A gap is none of its business: what is missing may come later.
 */
export async function linkIn(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  entries: readonly Entry[],
  bare: readonly BareLink[],
): Promise<Unlinked | null> {
  const unlike = entries.find((entry) => entry.link !== undefined && entry.link.body !== bodyHash(entry));
  if (unlike !== undefined) return unlinked(transaction, firm, log, unlike.device, unlike.id);
  const arriving = [
    ...entries.flatMap(({ id, device, link }): Arriving[] =>
      link === undefined ? [] : [{ device, ...link, entry: id }],
    ),
    ...bare.map((link): Arriving => ({ ...link, entry: null })),
  ];
  const fresh = new Map<string, Arriving>();
  for (const [device, links] of byDevice(arriving)) {
    const places = links.map(({ place }) => place);
    const reach = [Math.min(...places) - 1, Math.max(...places) + 1] as const;
    const known = await standing(transaction, firm, log, device, reach);
    for (const link of links) {
      const here = known.get(link.place);
      if (!fits(link, known)) return unlinked(transaction, firm, log, device, link.entry);
      if (here !== undefined && (here.entry !== null || link.entry === null)) continue;
      known.set(link.place, link);
      fresh.set(`${device} ${link.place}`, link);
    }
  }
  if (fresh.size === 0) return null;
  await transaction
    .insertInto('link')
    .values(
      [...fresh.values()].map(({ device, place, after, body, entry }) => ({
        organization: firm.id,
        log,
        device,
        place,
        after,
        body,
        entry,
      })),
    )
    // A bare link whose entry comes after all.
    .onConflict((conflict) =>
      conflict
        .columns(['organization', 'log', 'device', 'place'])
        .doUpdateSet((excluded) => ({ entry: excluded.ref('excluded.entry') })),
    )
    .execute();
  return null;
}

/** Links of a log whose entries are not there. */
export async function bareLinks(
  transaction: Transaction<Database>,
  organization: string,
  log: string,
): Promise<readonly BareLink[]> {
  return transaction
    .selectFrom('link')
    .select(['device', 'place', 'after', 'body'])
    .where('organization', '=', organization)
    .where('log', '=', log)
    .where('entry', 'is', null)
    .orderBy('device')
    .orderBy('place')
    .execute();
}
