import { lampsOf } from '@fair-plug/core/instruments';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { showScreen, visited } from '@/testing/screen';
import { JobsScreen } from './jobs-screen';

const summary = (n: number, more: object = {}) => ({
  id: `01900000-0000-7000-8000-00000000000${n}`,
  address: `${n} Alder Rise`,
  about: null,
  yearBuilt: 1960 + n,
  receptacles: 10,
  tested: 0,
  lastReadAt: null,
  findings: null,
  ...more,
});

const jobs = async (...some: readonly object[]) => {
  const shown = showScreen('/', <JobsScreen />, {
    others: { '/api/jobs': { jobs: some } },
  });
  await screen.findByRole('heading', { level: 1, name: 'Jobs' });
  return shown;
};
const addresses = async () =>
  (await screen.findAllByRole('listitem')).map((line) => within(line).getAllByRole('link')[0]?.textContent);

describe('the list', () => {
  test('the one read last first; what is dangerous is marked; what was not begun says so', async () => {
    await jobs(
      summary(1),
      summary(2, {
        tested: 4,
        findings: { reported: 2, toDecide: 1, urgency: 'act-now' },
        lastReadAt: '2026-05-03T09:00:00.000Z',
      }),
      summary(3, { tested: 10, lastReadAt: '2026-05-04T09:00:00.000Z' }),
    );
    expect(await addresses()).toEqual(['3 Alder Rise', '2 Alder Rise', '1 Alder Rise']);
    const [third, second, first] = screen.getAllByRole('listitem');
    expect(second?.textContent).toContain('Act now');
    expect(second?.textContent).toContain('2 findings, 1 to decide');
    expect(third?.textContent).toContain('Being assessed');
    expect(third?.textContent).not.toContain('Act now');
    expect(first?.textContent).toContain('Not begun');
  });

  test('many can be searched: every word must be there', async () => {
    const { user } = await jobs(
      ...[1, 2, 3, 4, 5, 6].map((n) => summary(n, { about: n % 2 ? 'Ranch' : 'Duplex' })),
    );
    const field = await screen.findByLabelText('Search the jobs');
    await user.type(field, 'alder ranch 1963');
    expect(await addresses()).toEqual(['3 Alder Rise']);
    await user.type(field, ' duplex');
    await screen.findByText('No job has all of these words.');
  });

  test('none yet says how to begin', async () => {
    await jobs();
    await screen.findByText(/^No job yet/);
  });
});

test('a job that comes from the server says what its findings come to, by the engine', async () => {
  const room = v7();
  const receptacle = v7();
  showScreen('/', <JobsScreen />, {
    statements: [
      { kind: 'job-described', address: '7 Alder Rise' },
      { kind: 'room-described', room, name: 'Den' },
      { kind: 'receptacle-described', receptacle, room, name: 'Den 1' },
      { kind: 'reading-taken', receptacle, shown: { instrument: 'lamps', ...lampsOf('all') } },
    ],
  });
  await screen.findByRole('link', { name: '7 Alder Rise' });
  const [line] = await screen.findAllByRole('listitem');
  await waitFor(() => expect(line?.textContent).toMatch(/Act now2 findings, 2 to decide/));
});

describe('a new job', () => {
  test('needs an address; its rooms stand in the order of the walk', async () => {
    const { user, server } = await jobs();
    await user.click(screen.getByRole('button', { name: 'New job' }));
    const form = within(await screen.findByRole('dialog'));
    await user.click(form.getByRole('button', { name: 'Begin the walk' }));
    await form.findByText('Which house is it?');
    expect(visited).toEqual([]);
    await user.type(form.getByLabelText(/^Address/), '9 Alder Rise');
    await user.type(form.getByLabelText('Year built'), '1655');
    await user.click(form.getByRole('button', { name: 'Prepare first' }));
    await form.findByText('A year from 1700');
    await user.clear(form.getByLabelText('Year built'));
    await user.type(form.getByLabelText('Year built'), '1955');
    await user.selectOptions(form.getByLabelText('Grounds in the wiring'), 'No, two-wire');
    await user.click(form.getByRole('button', { name: 'Begin with the usual 9 rooms' }));
    await user.click(form.getByRole('button', { name: 'Prepare first' }));
    await waitFor(() => expect(visited).toEqual([expect.stringMatching(/^\/prepare\?job=/)]));
    const job = visited[0]?.split('=')[1] ?? '';
    await waitFor(() =>
      expect(server.logs.get(job)?.slice(0, 3)).toMatchObject([
        {
          kind: 'job-described',
          address: '9 Alder Rise',
          // Where it is begun.
          timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
          yearBuilt: 1955,
          groundedWiring: false,
        },
        { kind: 'room-described', name: 'Entry' },
        { kind: 'room-described', name: 'Living room' },
      ]),
    );
  });
});

test('a new job that was begun and left is there again', async () => {
  const firm = v7();
  const { user } = showScreen('/', <JobsScreen />, { firm });
  await user.click(await screen.findByRole('button', { name: 'New job' }));
  await user.type(within(await screen.findByRole('dialog')).getByLabelText(/^Address/), '9 Alder');
  cleanup();
  const again = showScreen('/', <JobsScreen />, { firm });
  await screen.findByText(/^No job yet/);
  await again.user.click(screen.getByRole('button', { name: 'New job' }));
  const field = within(await screen.findByRole('dialog')).getByLabelText(/^Address/);
  await waitFor(() => expect(field).toHaveProperty('value', '9 Alder'));
});

describe('a job file', () => {
  const give = async (text: string) => {
    const shown = await jobs();
    const file = Object.assign(new File([text], 'job.json', { type: 'application/json' }), {
      text: async () => text,
    });
    await shown.user.upload(document.querySelector('input[type="file"]') as HTMLInputElement, file);
    return shown;
  };

  test('one that is none is refused in words, and nothing is stored', async () => {
    const { server } = await give('{"job": 3}');
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toMatch(
        /no job that can be taken in.*Nothing was stored\.$/,
      ),
    );
    expect([...server.logs.keys()]).toEqual(['kit']);
    expect(visited).toEqual([]);
  });

  test('one that is no text of any kind that is known', async () => {
    await give('PK\u0003\u0004');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Nothing was stored.'));
  });
});
