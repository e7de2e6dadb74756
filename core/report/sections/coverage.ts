import type { Reported } from './kind.ts';

/** What was tested, what was not and why, and what a random sample of this size would miss. */
export function coverage({ report: { coverage: covered, missing, house } }: Reported) {
  const { rooms, expected, tested, notReached, left } = covered;
  const isShort = expected > tested + notReached.length + left.length;
  return {
    tested,
    expected,
    sample: house.plan?.sample ?? null,
    notReached,
    notRead: left,
    notFound: rooms
      .map((room) => ({ room: room.name, count: room.expected - room.tested - room.notReached }))
      .filter(({ count }) => isShort && count > 0),
    missing,
  };
}
