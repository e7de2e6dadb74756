import type { Entry, JobStatement, KitStatement } from '@fair-plug/core/log';
import { MantineProvider } from '@mantine/core';
import { createEvent, fireEvent, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { v7 } from 'uuid';
import { vi } from 'vitest';
import { theme } from '@/app/theme';
import type { Role } from '@/contract/answers';
import { WhoIsHereProvider } from '@/local/who-is-here';
import { Gate } from '@/shell/gate';
import { FakeServer } from './fake-server';
import { visited } from './navigation';

export { visited } from './navigation';

let pressedAt = 1e6;

/** Presses a key of the walk, a second after the one before; or `after` so many milliseconds, or held down. */
export function pressKey(
  key: string,
  { after = 1000, repeat = false }: { readonly after?: number; readonly repeat?: boolean } = {},
): void {
  pressedAt += after;
  const code = /\d/.test(key) ? `Digit${key}` : key.length === 1 ? `Key${key.toUpperCase()}` : key;
  const event = createEvent.keyDown(document.documentElement, { key, code, repeat });
  Object.defineProperty(event, 'timeStamp', { value: pressedAt });
  fireEvent(document.documentElement, event);
}

/** Of the person and the device that tests enter things with. */
export const author = v7();
const otherDevice = v7();

/** Statements as entries that another device of the same person made, a second apart from an hour on. */
const madeAt =
  (hour: number, by: string) =>
  <T extends JobStatement | KitStatement>(
    one: T,
    second: number,
  ): T & Pick<Entry, 'id' | 'device' | 'author' | 'at'> => ({
    id: v7(),
    device: otherDevice,
    author: by,
    at: new Date(Date.UTC(2026, 4, 4, hour, 0, second)).toISOString(),
    ...one,
  });

/** A house with the given rooms, each with so many receptacles not yet read. */
export function houseOf(rooms: Readonly<Record<string, number>>): {
  readonly statements: readonly JobStatement[];
  /** Receptacles by name. */
  readonly ids: Readonly<Record<string, string>>;
} {
  const statements: JobStatement[] = [{ kind: 'job-described', address: '5 Alder Rise', yearBuilt: 1966 }];
  const ids: Record<string, string> = {};
  for (const [name, count] of Object.entries(rooms)) {
    const room = v7();
    statements.push({ kind: 'room-described', room, name });
    for (let number = 1; number <= count; number += 1) {
      const receptacle = v7();
      ids[`${name} ${number}`] = receptacle;
      statements.push({ kind: 'receptacle-described', receptacle, room, name: `${name} ${number}` });
    }
  }
  return { statements, ids };
}

type User = ReturnType<typeof userEvent.setup>;

/**
 * A user who puts a text into a field at once, and presses the keys named in braces: that a screen is drawn anew with
 * each letter is not tested here, and would take most of the time.
 */
function userInTests(): User {
  const user = userEvent.setup({ delay: null });
  const type: User['type'] = async (element, text) => {
    await user.click(element);
    for (const part of text.match(/\{\w+\}|\{\{|[^{]+/g) ?? [])
      if (/^\{\w+\}$/.test(part)) await user.keyboard(part);
      else await user.paste(part === '{{' ? '{' : part);
  };
  return { ...user, type };
}

/** Shows a part of a screen that needs nothing of what is kept. */
export function showPart(part: ReactNode) {
  return {
    ...render(
      <MantineProvider theme={theme} env="test">
        {part}
      </MantineProvider>,
    ),
    user: userInTests(),
  };
}

export interface Shown {
  readonly server: FakeServer;
  readonly user: User;
  readonly job: string;
  /** Entries of that kind that the server has of the job, in the order in which they arrived. */
  readonly kept: (kind: Entry['kind']) => readonly Entry[];
}

/** Shows a screen of a job to a person who has signed in; the server has what was said of it, and of the kit. */
export function showScreen(
  path: string,
  screen: ReactNode,
  {
    statements = [],
    kit = [],
    role = 'owner',
    others = {},
    signedIn = true,
    asks = {},
    by = author,
    firm: firmId = v7(),
  }: {
    readonly statements?: readonly JobStatement[];
    readonly kit?: readonly KitStatement[];
    readonly role?: Role;
    /** What the server answers elsewhere, by path. */
    readonly others?: Readonly<Record<string, unknown>>;
    readonly signedIn?: boolean;
    /** The firm that they work for: another one each time, whose kept logs nobody else sees. */
    readonly firm?: string;
    /** Who made the entries. */
    readonly by?: string;
    /** What else stands in the address. */
    readonly asks?: Readonly<Record<string, string>>;
  } = {},
): Shown {
  const server = new FakeServer();
  const job = v7();
  const firm = { id: firmId, name: 'Hollowmere House Inspections', role };
  Object.assign(server.others, others);
  server.page = 500;
  if (signedIn)
    server.session = {
      person: { id: author, name: 'Tessa Quillon', email: 'tessa@example.com' },
      firms: [firm],
    };
  if (statements.length > 0) server.logs.set(job, statements.map(madeAt(9, by)) as Entry[]);
  server.logs.set('kit', kit.map(madeAt(8, author)) as Entry[]);
  vi.stubGlobal('fetch', server.fetch);
  history.replaceState(null, '', `${path}?${new URLSearchParams({ job, ...asks })}`);
  visited.length = 0;
  render(
    <MantineProvider theme={theme} env="test">
      <WhoIsHereProvider>
        <Gate>{screen}</Gate>
      </WhoIsHereProvider>
    </MantineProvider>,
  );
  return {
    server,
    user: userInTests(),
    job,
    kept: (kind) => (server.logs.get(job) ?? []).filter((entry) => entry.kind === kind),
  };
}
