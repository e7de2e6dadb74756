import type { JobStatement } from '@fair-plug/core/log';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { whileEngineAnswers } from '@/testing/engine';
import { houseOf, showScreen } from '@/testing/screen';
import { ReportScreen } from './report-screen';

const article = () => screen.findByRole('article');
const text = async () => (await article()).textContent ?? '';
const isReady = () => document.querySelector('[data-report]')?.getAttribute('data-report');

type Ids = Readonly<Record<string, string>>;
const lamps = (hn: boolean, hg: boolean, ng: boolean) =>
  ({ hn: hn ? 'lit' : 'off', hg: hg ? 'lit' : 'off', ng: ng ? 'lit' : 'off' }) as const;
const reads = (receptacle: string | undefined, ...lit: [boolean, boolean, boolean]): JobStatement => ({
  kind: 'lamps-read',
  receptacle: receptacle ?? '',
  lamps: lamps(...lit),
});

const reportOf = async (
  more: (ids: Ids) => readonly JobStatement[],
  rest: Omit<NonNullable<Parameters<typeof showScreen>[2]>, 'statements'> = {},
) => {
  const { statements, ids } = houseOf({ Den: 3, Hall: 1 });
  const shown = showScreen('/report', <ReportScreen />, {
    statements: [...statements, ...more(ids)],
    ...rest,
  });
  await article();
  return { ...shown, ids };
};

describe('what it says', () => {
  test('figures, findings, every receptacle; of what was not read it says nothing', async () => {
    await reportOf((ids) => [
      { kind: 'job-described', client: 'A. Vale', groundedWiring: true },
      reads(ids['Den 1'], true, true, false),
      reads(ids['Den 2'], true, false, true),
      { kind: 'not-reached', receptacle: ids['Den 3'] ?? '', reason: 'furniture' },
    ]);
    const summary = within(await screen.findByRole('region', { name: 'Summary' }));
    expect(summary.getAllByText(/\d/).map(({ textContent }) => textContent)).toEqual(['4', '1', '1', '2']);
    const statements = await text();
    expect(statements).toContain('5 Alder Rise');
    expect(statements).toContain('A. Vale');
    expect(statements).toContain('Not reached: Den 3 (behind furniture).');
    expect(statements).toContain('Listed and not read, so nothing is said of them: Hall 1.');
    await waitFor(async () =>
      expect(
        within(await article()).getAllByRole('heading', { level: 3, name: /Reads hot and neutral reversed/ }),
      ).toHaveLength(1),
    );
  });

  test('all its times are those of the house, and it says which', async () => {
    await reportOf((ids) => [
      { kind: 'job-described', timeZone: 'Asia/Kolkata' },
      reads(ids['Den 1'], true, true, false),
    ]);
    const den = within(await article()).getByRole('table', { name: 'Den' });
    // Read at nine in the morning, UTC.
    expect(den.textContent).toContain('14:30');
    expect(await text()).toContain('as in Asia/Kolkata');
  });

  test('what shows no power is never called dead without proof', async () => {
    await reportOf((ids) => [reads(ids['Den 1'], false, false, false)]);
    await waitFor(async () => expect(await text()).toContain('not proved dead'));
    expect((await text()).replaceAll('not proved dead', '')).not.toMatch(/\bis dead\b/);
  });

  test('testers not proved, readings in doubt, and power of which nobody said that it is back', async () => {
    await reportOf((ids) => [
      reads(ids['Den 1'], true, true, false),
      { kind: 'tester-proved', instrument: 'lamps', passed: false },
      {
        kind: 'ground-fault-tested',
        receptacle: ids['Den 1'] ?? '',
        by: 'tester-button',
        result: 'tripped',
      },
    ]);
    const statements = await text();
    expect(statements).toContain('failed its function check');
    expect(statements).toContain('1 reading since its last good function check in doubt.');
    expect(statements).toContain('Nobody said that the power is back: Den 1.');
  });

  test('the owner’s page follows its language; the rest stays', async () => {
    const { user } = await reportOf((ids) => [reads(ids['Den 1'], true, false, false)]);
    const owner = () => document.querySelector('[lang]:not(html)');
    expect(owner()?.getAttribute('lang')).toBe('en');
    await user.selectOptions(screen.getByLabelText('Language of the owner’s page'), 'Owner’s page: Español');
    await waitFor(() => expect(owner()?.getAttribute('lang')).toBe('es'));
    expect(owner()?.textContent).toContain('electricista');
    expect(await text()).toContain('Coverage');
  });

  test('who read in the house is its inspector, whoever prints the report', async () => {
    const { statements, ids } = houseOf({ Den: 1 });
    const colleague = '01900000-0000-7000-8000-0000000000c2';
    showScreen('/report', <ReportScreen />, {
      statements: [...statements, reads(ids['Den 1'], true, true, false)],
      by: colleague,
      others: { '/api/colleagues': { people: [{ id: colleague, name: 'Nora Fell' }] } },
    });
    await waitFor(async () => expect(await text()).toContain('InspectorNora Fell'));
    expect(await text()).not.toContain('Tessa Quillon');
  });

  test('the firm’s letterhead, wording and licence stand in it, filled in', async () => {
    await reportOf(
      (ids) => [{ kind: 'job-described', client: 'A. Vale' }, reads(ids['Den 1'], true, true, false)],
      {
        kit: [
          { kind: 'letterhead-described', lines: '1 Mill Yard', licence: 'HI-17' },
          { kind: 'wording-saved', of: 'introduction', text: 'For {client} at {address}.' },
        ],
      },
    );
    await waitFor(async () => expect(await text()).toContain('For A. Vale at 5 Alder Rise.'));
    expect(await text()).toContain('1 Mill Yard');
    expect(await text()).toContain('HI-17');
  });
});

describe('when it may be printed', () => {
  test('only once everything is here and judged', async () => {
    await reportOf((ids) => [reads(ids['Den 1'], true, false, false)]);
    await waitFor(() => expect(isReady()).toBe('ready'));
    expect(screen.queryByText(/^Not complete/)).toBeNull();
  });

  test('an error of the engine is said, and the report is not ready', async () => {
    const judge = () => {
      throw new RangeError('a bug of ours');
    };
    await whileEngineAnswers({ judge }, async () => {
      await reportOf((ids) => [reads(ids['Den 1'], true, false, false)]);
      await screen.findByText(/An error of this application keeps the readings from being judged/);
      await screen.findAllByText(/^Not complete: the readings could not be judged/);
      expect(isReady()).toBe('not-yet');
    });
  });

  test('it is there while the engine is at it, however often that tells what it has found by then', async () => {
    const nothing = { isWhole: true, isFinal: false, changed: [], gone: [], circuits: [] };
    let told = 0;
    let end = (): void => {};
    const judge = (...asked: readonly unknown[]) =>
      new Promise((answer) => {
        const hear = asked.at(-1) as (news: object) => void;
        const telling = setInterval(() => {
          hear({ engine: 'busy', number: told, ...nothing });
          told += 1;
        });
        end = () => {
          clearInterval(telling);
          answer(null);
        };
      });
    await whileEngineAnswers({ judge }, async () => {
      const { statements, ids } = houseOf({ Den: 150 });
      const read = Object.values(ids).map((id) => reads(id, true, true, false));
      showScreen('/report', <ReportScreen />, { statements: [...statements, ...read] });
      await waitFor(() => expect(told).toBeGreaterThan(1));
      const from = told;
      await article();
      // It was not put off for each of them.
      expect(told - from).toBeLessThan(10);
      expect(isReady()).toBe('not-yet');
    }).finally(() => end());
  });

  test('part of a job says so, on the page and on paper, and is not ready', async () => {
    const { statements } = houseOf({ Den: 3 });
    const { server } = showScreen('/report', <ReportScreen />, { statements });
    // The second half of the log does not come.
    server.page = 2;
    let answered = 0;
    server.answer = (path) => {
      if (!/jobs\/.*entries/.test(path)) return 200;
      answered += 1;
      return answered > 1 ? 503 : 200;
    };
    await article();
    expect((await screen.findAllByText(/Not complete: part of this job is still on the server/)).length).toBe(
      2,
    );
    expect(isReady()).toBe('not-yet');
  });

  test('a server that fails at it says why; the page can be printed all the same', async () => {
    const { user, server } = await reportOf((ids) => [reads(ids['Den 1'], true, true, false)]);
    server.answer = (path) => (path.endsWith('/report') ? 0 : 200);
    await user.click(screen.getByRole('button', { name: 'PDF' }));
    await screen.findByText('The server does not answer. Print it from this browser instead.');
    const print = vi.spyOn(window, 'print').mockImplementation(() => {});
    await user.click(screen.getByRole('button', { name: 'Print' }));
    expect(print).toHaveBeenCalledOnce();
  });
});

describe('files', () => {
  const saved = async (user: Awaited<ReturnType<typeof reportOf>>['user'], item: string): Promise<string> => {
    const files: Blob[] = [];
    vi.stubGlobal(
      'URL',
      Object.assign(URL, {
        createObjectURL: (file: Blob) => {
          files.push(file);
          return 'blob:saved';
        },
        revokeObjectURL: () => {},
      }),
    );
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => {});
    await user.click(screen.getByRole('button', { name: 'Save as …' }));
    await user.click(await screen.findByRole('menuitem', { name: item }));
    await waitFor(() => expect(files).toHaveLength(1));
    return new Promise((done) => {
      const reader = new FileReader();
      reader.onload = () => done(String(reader.result));
      reader.readAsText(files[0] as Blob);
    });
  };

  test('the whole job, to the last entry', async () => {
    const { user, job, server } = await reportOf((ids) => [reads(ids['Den 1'], true, true, false)]);
    const file = JSON.parse(await saved(user, 'Whole job (JSON)'));
    expect(file.job).toBe(job);
    expect(file.entries).toEqual(server.logs.get(job));
  });

  test('the receptacles as a table, every one a line', async () => {
    const { user } = await reportOf((ids) => [reads(ids['Den 1'], true, true, false)]);
    const lines = (await saved(user, 'Receptacles (CSV)')).trim().split('\r\n');
    expect(lines).toHaveLength(5);
    expect(lines[1]).toContain('Den 1');
  });
});

describe('signing', () => {
  const sign = async (user: Awaited<ReturnType<typeof reportOf>>['user']) => {
    // The field to draw in is a canvas, which draws nothing here.
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({
      scale: () => {},
      clearRect: () => {},
      fillRect: () => {},
    } as never);
    await user.click(screen.getByRole('button', { name: 'Sign' }));
    return within(await screen.findByRole('dialog'));
  };

  test('by name alone where nobody can draw; the client’s name is at hand', async () => {
    const { user, kept } = await reportOf(() => [{ kind: 'job-described', client: 'A. Vale' }]);
    const form = await sign(user);
    expect(form.getByLabelText('Name')).toHaveProperty('value', 'Tessa Quillon');
    await user.click(form.getByText('Client'));
    expect(form.getByLabelText('Name')).toHaveProperty('value', 'A. Vale');
    await user.click(form.getByRole('button', { name: 'Sign' }));
    await waitFor(() =>
      expect(kept('signed')).toMatchObject([{ role: 'client', name: 'A. Vale', strokes: [] }]),
    );
    expect(await screen.findByRole('img', { name: 'Signature of A. Vale' })).toBeTruthy();
  });

  test('what was changed after it was signed is said beside the signature', async () => {
    await reportOf(() => [
      { kind: 'signed', role: 'client', name: 'A. Vale', strokes: [] },
      { kind: 'job-described', about: 'Ranch' },
      { kind: 'signed', role: 'inspector', name: 'Tessa Quillon', strokes: [] },
    ]);
    const client = await screen.findByRole('img', { name: 'Signature of A. Vale' });
    expect(client.parentElement?.textContent).toContain('Changed after this was signed, last on 4 May 2026');
    const inspector = screen.getByRole('img', { name: 'Signature of Tessa Quillon' });
    expect(inspector.parentElement?.textContent).not.toContain('Changed');
  });

  test('who may only read does not sign', async () => {
    await reportOf(() => [], { role: 'viewer' });
    expect(screen.queryByRole('button', { name: 'Sign' })).toBeNull();
  });
});
