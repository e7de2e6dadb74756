import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { author, houseOf, type Shown, showScreen, visited } from '@/testing/screen';
import { AccountScreen } from './account-screen';
import { PeopleScreen } from './people-screen';

const nora = '01900000-0000-7000-8000-0000000000c2';
const member = (id: string, name: string, role: string, removedAt: string | null = null) => ({
  id,
  name,
  email: `${name.split(' ')[0]?.toLowerCase()}@example.com`,
  role,
  removedAt,
});

const asked = ({ server }: Shown, what: string): unknown => server.bodies[server.asked.lastIndexOf(what)];

describe('the people of the firm', () => {
  const people = async () => {
    const shown = showScreen('/people', <PeopleScreen />, {
      others: {
        '/api/people': {
          people: [
            member(author, 'Tessa Quillon', 'owner'),
            member(nora, 'Nora Fell', 'inspector'),
            member(
              '01900000-0000-7000-8000-0000000000c3',
              'Old Hand',
              'inspector',
              '2026-01-01T00:00:00.000Z',
            ),
          ],
        },
        '/api/invitations': {
          invitations: [
            {
              id: '01900000-0000-7000-8000-0000000000d1',
              email: null,
              role: 'viewer',
              expiresAt: '2026-05-11T09:00:00.000Z',
            },
          ],
        },
        '/api/audit': {
          lines: [
            { id: '1', at: '2026-05-04T09:00:00.000Z', person: 'Nora Fell', action: 'joined', about: null },
          ],
        },
      },
    });
    await screen.findByRole('region', { name: 'People' });
    return shown;
  };

  test('who is here, who was, and what each may do', async () => {
    await people();
    const here = within(screen.getByRole('region', { name: 'People' }));
    expect(here.getAllByRole('listitem')).toHaveLength(2);
    expect(here.getByText(/their entries stay: Old Hand/)).toBeTruthy();
    expect(here.getByLabelText('What Nora Fell may do')).toHaveProperty('value', 'inspector');
  });

  test('nobody is removed by a single press', async () => {
    const { user, server } = await people();
    const line = within(screen.getAllByRole('listitem')[1] as HTMLElement);
    await user.click(line.getByRole('button', { name: 'Remove …' }));
    await user.click(line.getByRole('button', { name: 'Keep' }));
    expect(server.asked.filter((one) => one.startsWith('DELETE'))).toEqual([]);
    await user.click(line.getByRole('button', { name: 'Remove …' }));
    await user.click(line.getByRole('button', { name: 'Remove Nora Fell and end their sessions' }));
    await waitFor(() => expect(server.asked).toContain(`DELETE /api/people/${nora}`));
  });

  test('what the server refuses is said at the line that it is about', async () => {
    const { user, server } = await people();
    server.answer = (path) => (path === `/api/people/${author}` ? 400 : 200);
    const line = within(screen.getAllByRole('listitem')[0] as HTMLElement);
    await user.selectOptions(line.getByLabelText('What Tessa Quillon may do'), 'Viewer: reads');
    expect((await line.findByRole('alert')).textContent).toContain('No.');
  });

  test('an invitation’s link is shown once; one that is open can be withdrawn', async () => {
    const shown = await people();
    const { user, server } = shown;
    const invitations = within(screen.getByRole('region', { name: 'Invitations' }));
    await invitations.findByText(/^A link, viewer, until 11 May/);
    await user.selectOptions(invitations.getByLabelText('As'), 'Viewer: reads');
    Object.assign(server.others, {
      '/api/invitations': { link: 'https://fair.example/join?invitation=abc' },
    });
    await user.click(invitations.getByRole('button', { name: 'Make a link' }));
    await invitations.findByText('https://fair.example/join?invitation=abc');
    expect(asked(shown, 'POST /api/invitations')).toEqual({ role: 'viewer', email: null });
    expect(invitations.getByText(/Good once, for a week/)).toBeTruthy();
  });

  test('what was done stands there with who did it', async () => {
    await people();
    const trail = within(screen.getByRole('region', { name: 'What was done' }));
    const row = (await trail.findByText('Nora Fell')).closest('tr');
    expect(row?.textContent).toContain('joined');
  });
});

describe('one’s own account', () => {
  const account = async (role: 'owner' | 'viewer' = 'owner', others: Record<string, unknown> = {}) => {
    const { statements } = houseOf({});
    const shown = showScreen('/account', <AccountScreen />, { statements, role, others });
    await screen.findByRole('region', { name: 'Firms' });
    return shown;
  };

  test('another password, with the current one', async () => {
    const shown = await account();
    await shown.user.type(screen.getByLabelText(/^Current password/, { selector: 'input' }), 'the old one');
    await shown.user.type(screen.getByLabelText(/^New password/, { selector: 'input' }), 'the new one');
    await shown.user.click(screen.getByRole('button', { name: 'Change the password' }));
    await screen.findByText('Changed. Every other device was signed out.');
    expect(asked(shown, 'POST /api/password')).toEqual({ current: 'the old one', next: 'the new one' });
  });

  test('where one is signed in is listed, and each session but this one ends by itself', async () => {
    const begun = '2026-11-20T10:00:00.000Z';
    const one = (id: string, browser: string | null, isHere: boolean) => ({
      ...{ id, browser, isHere },
      ...{ begunAt: begun, usedAt: begun },
    });
    const shown = await account('owner', {
      '/api/sessions': {
        sessions: [one('here', 'Firefox on Linux', true), one('lost', 'Chrome on Android', false)],
      },
    });
    const devices = within(screen.getByRole('region', { name: 'Devices' }));
    const lines = await devices.findAllByRole('listitem');
    expect(lines.map((line) => line.textContent)).toEqual([
      expect.stringContaining('Firefox on Linux, this one'),
      expect.stringContaining('Chrome on Android'),
    ]);
    await shown.user.click(devices.getByRole('button', { name: /^End the session of Chrome on Android/ }));
    await waitFor(() => expect(shown.server.asked).toContain('DELETE /api/sessions/lost'));
    expect(devices.getAllByRole('button', { name: /^End the session/ })).toHaveLength(1);
  });

  test('signing out everywhere ends every session and forgets what is kept here', async () => {
    const { user, server } = await account();
    await user.click(screen.getByRole('button', { name: 'Sign out everywhere' }));
    await waitFor(() => expect(visited[0]).toBe('/sign-in'));
    expect(server.asked).toContain('DELETE /api/sessions');
    expect(localStorage.getItem('fair-plug identity')).toBeNull();
  });

  test('a file that is no record is refused in words', async () => {
    const { user } = await account();
    const file = Object.assign(new File(['{}'], 'record.json', { type: 'application/json' }), {
      text: async () => '{}',
    });
    await user.upload(document.querySelector('input[type="file"]') as HTMLInputElement, file);
    expect((await screen.findByRole('alert')).textContent).not.toBe('');
  });

  test('who may only read can save what is here, and take nothing in', async () => {
    await account('viewer');
    expect(screen.getByRole('button', { name: 'Save it as a file' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Take a file in' })).toBeNull();
  });
});
