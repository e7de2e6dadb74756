import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { fetchSession } from '@/local/api';
import { rememberedIdentity } from '@/local/identity';
import { isSigningOut } from '@/local/signing-out';
import { LocalDatabase } from '@/local/store';
import { useHouse, useKeep } from '@/local/use-logs';
import { useOwnStorage } from '@/local/use-own-storage';
import { useWhoIsHere } from '@/local/who-is-here';
import { author, houseOf, showScreen, visited } from '@/testing/screen';
import { Frame } from './frame';

/** A screen with one thing to enter. */
function Entering({ times = 1 }: { readonly times?: number }) {
  const job = new URLSearchParams(location.search).get('job') ?? '';
  const keep = useKeep();
  const loaded = useHouse(job);
  const house = loaded.kind === 'loaded' ? loaded.house : null;
  return (
    <Frame>
      <p>{loaded.kind === 'failed' ? loaded.error.message : (house?.address ?? 'loading')}</p>
      <button
        type="button"
        onClick={() =>
          void keep?.inJob(job, ...Array(times).fill({ kind: 'job-described', about: 'Ranch' } as const))
        }
      >
        Enter
      </button>
    </Frame>
  );
}

const frame = async (rest: Parameters<typeof showScreen>[2] = {}, times = 1) => {
  const shown = showScreen('/', <Entering times={times} />, { statements: houseOf({}).statements, ...rest });
  await screen.findByText('5 Alder Rise');
  await screen.findByText('● saved on the server');
  return shown;
};

describe('where everything entered is', () => {
  test('here until the server has it, then there', async () => {
    const { user, server, kept } = await frame();
    server.answer = () => 0;
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByText('◐ saved here · 1 to send');
    await screen.findByText('The server does not answer.');
    server.answer = () => 200;
    await screen.findByText('● saved on the server');
    expect(kept('job-described')).toHaveLength(2);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('nothing is said to be saved from the moment it is entered', async () => {
    const { user, kept } = await frame();
    const statements: (string | null)[] = [];
    const button = screen.getByRole('button', { name: 'Enter' });
    // What stands there as soon as the press is over, before anything could be kept.
    button.addEventListener('click', () => queueMicrotask(() => statements.push(document.body.textContent)));
    await user.click(button);
    expect(statements[0]).not.toContain('saved on the server');
    await screen.findByText('● saved on the server');
    expect(kept('job-described')).toHaveLength(2);
  });

  test('a database that is away is told from a server that is', async () => {
    const { user, server } = await frame();
    server.answer = () => 503;
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByText('The database cannot be reached.');
  });

  test('what the server never takes stays here, with its reason', async () => {
    const { user, server } = await frame();
    server.answer = (path, entries) => (entries.length > 0 && path.includes('/jobs') ? 400 : 200);
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await user.click(await screen.findByRole('button', { name: '▲ 1 refused' }));
    expect((await screen.findByText(/^job-described:/)).textContent).toContain('No.');
  });

  test('a version that no longer goes with the server’s says so', async () => {
    const { user, server } = await frame();
    server.answer = () => 426;
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByText('Browser and server run different versions.');
  });

  test('two hundred entries that are here alone are worth a reminder', async () => {
    const { user, server } = await frame({}, 20);
    server.answer = () => 0;
    const enter = screen.getByRole('button', { name: 'Enter' });
    for (let n = 0; n < 10; n += 1) enter.click();
    await screen.findByText('200 entries are in this browser alone');
    expect(await screen.findByRole('button', { name: 'Save them' })).toBeTruthy();
    server.answer = () => 200;
    await user.click(enter);
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Save them' })).toBeNull());
  });

  test('little room on the device is said while there is some', async () => {
    Object.defineProperty(navigator, 'storage', {
      configurable: true,
      value: { estimate: async () => ({ quota: 100 * 2 ** 20, usage: 88 * 2 ** 20 }) },
    });
    await frame();
    await screen.findByText('This device has 12 MB left for Fair Plug.');
    Object.defineProperty(navigator, 'storage', { configurable: true, value: undefined });
  });
});

describe('who works here', () => {
  test('signed out on the server, the work goes on, and waits for the same person', async () => {
    const { user, server } = await frame();
    server.answer = (path) => (path === '/api/session' || path.includes('/jobs') ? 401 : 200);
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByText('Signed out on the server.');
    await screen.findByRole('button', { name: 'Save the record of 1 entry' });
  });

  test('an answer that comes late changes nothing that a later question was answered', async () => {
    const { server } = await frame();
    const { fetch } = globalThis;
    const held: ((late: Response) => void)[] = [];
    vi.stubGlobal('fetch', (address: string, init?: RequestInit) =>
      held.length === 0 && new URL(address, 'http://server').pathname === '/api/session'
        ? new Promise<Response>((answer) => held.push(answer))
        : fetch(address, init),
    );
    fireEvent(window, new Event('online'));
    await waitFor(() => expect(held).toHaveLength(1));
    const asked = server.asked.length;
    fireEvent(window, new Event('online'));
    await waitFor(() => expect(server.asked.slice(asked)).toContain('GET /api/session'));
    await screen.findByText('● saved on the server');
    let hasSaid = false;
    const look = new MutationObserver(() => {
      hasSaid ||= screen.queryByText('Signed out on the server.') !== null;
    });
    look.observe(document.body, { childList: true, subtree: true, characterData: true });
    held[0]?.(Response.json({ error: { code: 'signed-out', message: 'Sign in.' } }, { status: 401 }));
    await new Promise((go) => setTimeout(go, 50));
    look.disconnect();
    expect(hasSaid).toBe(false);
    vi.stubGlobal('fetch', fetch);
  });

  test('no longer of the firm: what was entered is kept, and can be handed over', async () => {
    const { user, server } = await frame();
    server.session = { person: { id: author, name: 'Tessa Quillon', email: 'tessa@example.com' }, firms: [] };
    server.answer = (path) => (path.includes('/jobs') ? 401 : 200);
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByRole('heading', { name: /^You no longer belong to Hollowmere House Inspections/ });
    // Nothing that was read is left; what was entered can be handed over.
    await screen.findByRole('button', { name: 'Save 1 entry' });
    expect(screen.queryByRole('button', { name: 'Enter' })).toBeNull();
    const [name = ''] = (await indexedDB.databases()).flatMap((one) => one.name ?? []).slice(-1);
    const store = new LocalDatabase(name);
    await waitFor(async () =>
      expect([await store.confirmed.count(), await store.packs.count(), await store.unsent.count()]).toEqual([
        0, 0, 1,
      ]),
    );
    // Locked without a network too.
    server.answer = () => 0;
    fireEvent(window, new Event('online'));
    await waitFor(() => expect(server.asked.at(-1)).toBe('GET /api/session'));
    await screen.findByRole('heading', { name: /^You no longer belong to/ });
    expect(rememberedIdentity()?.isRemoved).toBe(true);
  });

  test('who signs out while the server is away is out all the same, and for good once it is back', async () => {
    const { user, server } = await frame();
    server.answer = (path) => (path === '/api/sign-out' ? 0 : 200);
    await user.click(screen.getByRole('button', { name: 'Account of Tessa Quillon' }));
    await user.click(await screen.findByRole('menuitem', { name: 'Sign out' }));
    await waitFor(() => expect(visited).toEqual(['/sign-in']));
    expect(isSigningOut()).toBe(true);
    // Nothing is asked before the server has heard of it, so that nobody is inside by the cookie that is left.
    const before = server.asked.length;
    await expect(fetchSession()).rejects.toMatchObject({ code: 'server-away' });
    expect(server.asked.slice(before)).toEqual(['POST /api/sign-out']);
    server.answer = (path) => (path === '/api/session' ? 401 : 200);
    await expect(fetchSession()).rejects.toMatchObject({ code: 'signed-out' });
    expect(server.asked.slice(before + 1)).toEqual(['POST /api/sign-out', 'GET /api/session']);
    expect(isSigningOut()).toBe(false);
  });

  test('what was being counted while somebody signs out is forgotten with them', async () => {
    function Counting() {
      const { leave } = useWhoIsHere();
      const [count, remember] = useOwnStorage('count', 0);
      const leaveInTheMiddle = (): void => {
        leave();
        remember((before) => before + 1);
      };
      return (
        <button type="button" onClick={leaveInTheMiddle}>
          Leave at {count}
        </button>
      );
    }
    const { user } = showScreen('/', <Counting />, { statements: houseOf({}).statements });
    await user.click(await screen.findByRole('button', { name: 'Leave at 0' }));
    await waitFor(() => expect(visited).toEqual(['/sign-in']));
    expect(Object.keys(localStorage).filter((key) => key.endsWith(' count'))).toEqual([]);
  });

  test('signing out asks first while something is here alone', async () => {
    const { user, server } = await frame();
    server.answer = (path) => (path.includes('/jobs') ? 0 : 200);
    await user.click(screen.getByRole('button', { name: 'Enter' }));
    await screen.findByText('◐ saved here · 1 to send');
    await user.click(screen.getByRole('button', { name: 'Account of Tessa Quillon' }));
    await user.click(await screen.findByRole('menuitem', { name: 'Sign out' }));
    const asked = within(await screen.findByRole('dialog'));
    expect(asked.getByText(/^1 entry is in this browser alone/)).toBeTruthy();
    await user.click(asked.getByRole('button', { name: 'Stay' }));
    expect(visited).toEqual([]);
    expect(server.asked).not.toContain('POST /api/sign-out');
  });
});

test('a job that the server does not have says so, with a way back', async () => {
  const { server } = showScreen('/', <Entering />);
  await screen.findByText('There is no such job.');
  expect(server.asked.length).toBeGreaterThan(0);
});

test('the keyboard can skip to what is on the screen', async () => {
  const { user } = await frame();
  await user.tab();
  const skip = screen.getByRole('link', { name: 'Skip to what is on this screen' });
  expect(document.activeElement).toBe(skip);
  expect(document.querySelector(skip.getAttribute('href') ?? '')?.tagName).toBe('MAIN');
});
