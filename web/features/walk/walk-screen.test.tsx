import { type LampPattern, lampPatterns, lampsOf } from '@fair-plug/core/instruments';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { whileEngineAnswers } from '@/testing/engine';
import { mostHeldBack } from '@/testing/pauses';
import { houseOf, pressKey, type Shown, showScreen } from '@/testing/screen';
import { WalkScreen } from './walk-screen';

// Longer than other files: what one screen does, from the first press to the last.

const currentPlace = (name: string) => screen.findByRole('heading', { level: 2, name });
const verdict = () => screen.getByRole('region', { name: 'Verdict' });
const dialog = () => screen.findByRole('dialog');

const walkOf = async (
  rooms: Readonly<Record<string, number>>,
  more: Parameters<typeof showScreen>[2] = {},
): Promise<Shown & { readonly ids: Readonly<Record<string, string>> }> => {
  const { statements, ids } = houseOf(rooms);
  const shown = showScreen('/walk', <WalkScreen />, {
    ...more,
    statements: [...statements, ...(more.statements ?? [])],
  });
  await currentPlace(`${Object.keys(rooms)[0]} 1`);
  return { ...shown, ids };
};

/** True where one text of the verdict stands above another. */
const isAbove = (first: HTMLElement, second: HTMLElement): boolean =>
  (first.compareDocumentPosition(second) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;

describe('keys after a press with the pointer', () => {
  test('Enter goes on from the room that was clicked, and does not take it again', async () => {
    const { user, kept, ids } = await walkOf({ Den: 1, Kitchen: 1 });
    await user.click(await screen.findByRole('button', { name: /^Kitchen/ }));
    await currentPlace('Kitchen 1');
    await user.keyboard('4');
    await screen.findByText('Recorded: Kitchen 1');
    await user.keyboard('{Enter}');
    await currentPlace('Den 1');
    await user.keyboard('7');
    await screen.findByText('Recorded: Den 1');
    await waitFor(() =>
      expect(kept('reading-taken')).toMatchObject([
        { receptacle: ids['Kitchen 1'] },
        { receptacle: ids['Den 1'] },
      ]),
    );
  });

  test('a button that the keyboard came to keeps its own Enter', async () => {
    const { user } = await walkOf({ Den: 1, Kitchen: 2 });
    const room = await screen.findByRole('button', { name: /^Kitchen/ });
    room.focus();
    await user.keyboard('{Enter}');
    await currentPlace('Kitchen 1');
    expect(document.activeElement).toBe(room);
  });
});

describe('what triangle and rectangle are', () => {
  const triangleIs = () => within(verdict()).getByText(/^The triangle is the receptacle/);

  test('is said first where nothing was read, and stands back behind a verdict and a warning to stop', async () => {
    const { user } = await walkOf({ Den: 2 });
    expect(isAbove(triangleIs(), within(verdict()).getByText(/^Plug the tester in/))).toBe(true);
    await user.keyboard('8');
    const stop = await within(verdict()).findByText(/^Stop here/);
    expect(isAbove(stop, triangleIs())).toBe(true);
  });

  test('comes first when somebody asks for it, whatever was read', async () => {
    const { user } = await walkOf({ Den: 2 });
    await user.click(within(verdict()).getByRole('button', { name: 'Got it: the triangle' }));
    await user.keyboard('4');
    const headline = await within(verdict()).findByText('Reads open ground');
    await user.click(screen.getByRole('button', { name: 'What is the triangle?' }));
    expect(isAbove(triangleIs(), headline)).toBe(true);
  });
});

describe('the lamps', () => {
  test('a pattern’s key records it, and its verdict stands beside it', async () => {
    const { user, kept, ids } = await walkOf({ Den: 2 });
    await user.keyboard('4');
    await within(verdict()).findByText('Reads open ground');
    await screen.findByText('Recorded: Den 1');
    expect(await currentPlace('Den 1')).toBeTruthy();
    await waitFor(() =>
      expect(kept('reading-taken')).toMatchObject([
        { receptacle: ids['Den 1'], shown: { hn: 'lit', hg: 'off', ng: 'off' } },
      ]),
    );
  });

  test('a correct one is a single press; the next one is another', async () => {
    const { kept } = await walkOf({ Den: 3 });
    pressKey('1');
    await currentPlace('Den 2');
    pressKey('1');
    await currentPlace('Den 3');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
  });

  test('the second press of a double tap is no reading, wherever the walk stands by then, and that is said', async () => {
    const { kept } = await walkOf({ Den: 3 });
    pressKey('1');
    await currentPlace('Den 2');
    pressKey('1', { after: 200 });
    await screen.findByText('Recorded: Den 1, reads correct. Second press ignored');
    pressKey('2');
    await screen.findByText('Recorded: Den 2');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
  });

  test('it is none while the first is still being kept either', async () => {
    const { kept } = await walkOf({ Den: 3 });
    pressKey('1');
    pressKey('1', { after: 200 });
    await screen.findByText('Recorded: Den 1, reads correct. Second press ignored');
    await currentPlace('Den 2');
    pressKey('2');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
  });

  test('a key held down counts once', async () => {
    const { kept } = await walkOf({ Den: 3 });
    pressKey('1');
    await currentPlace('Den 2');
    pressKey('1', { repeat: true });
    pressKey('2');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
  });

  test('four keys in quick succession are four readings, each at the place that was shown, in their order', async () => {
    const { kept, ids } = await walkOf({ Den: 2 });
    for (const key of [4, 2, 6, 3]) pressKey(String(key), { after: 50 });
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(4));
    expect(kept('reading-taken')).toMatchObject(
      [4, 2, 6, 3].map((key) => ({
        receptacle: ids['Den 1'],
        shown: lampsOf(lampPatterns[key - 1] as LampPattern),
      })),
    );
    await currentPlace('Den 1');
  });

  test('at a place for the next one they are of one receptacle, described once', async () => {
    const { kept } = await walkOf({ Den: 1 });
    pressKey('1');
    await currentPlace('Den 2');
    for (const key of ['4', '2']) pressKey(key, { after: 50 });
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(3));
    expect(kept('receptacle-described')).toHaveLength(2);
    const added = kept('receptacle-described')[1] as { readonly receptacle: string };
    expect(kept('reading-taken').slice(1)).toMatchObject([
      { receptacle: added.receptacle },
      { receptacle: added.receptacle },
    ]);
  });

  test('two presses of the large button, “Next” and then what stands on it, are one', async () => {
    const { kept } = await walkOf({ Den: 3 });
    pressKey('4');
    await screen.findByText('Recorded: Den 1');
    pressKey('Enter');
    await currentPlace('Den 2');
    pressKey('Enter', { after: 200 });
    await screen.findByText('Second press ignored');
    pressKey('Enter');
    await currentPlace('Den 3');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
  });

  test('after the last of the list the next one is added, named and described with its reading', async () => {
    const { kept } = await walkOf({ Den: 1 });
    pressKey('1');
    await currentPlace('Den 2');
    pressKey('7');
    await within(verdict()).findByRole('heading', { level: 3, name: /^No power: .* not proved dead$/ });
    await waitFor(() => expect(kept('receptacle-described')).toHaveLength(2));
    const [, added] = kept('receptacle-described');
    expect(added).toMatchObject({ name: 'Den 2' });
    expect(kept('reading-taken')[1]).toMatchObject({
      receptacle: (added as { receptacle: string }).receptacle,
    });
  });

  test('lamps tapped one by one are a draft until they are recorded', async () => {
    const { user, kept } = await walkOf({ Den: 1 });
    await user.keyboard('j');
    expect(screen.getAllByText('Not recorded yet').length).toBeGreaterThan(0);
    await user.keyboard('{Escape}');
    expect(screen.queryByText('Not recorded yet')).toBeNull();
    await user.keyboard('jk{Enter}');
    await screen.findByText('Recorded: Den 1');
    await waitFor(() =>
      expect(kept('reading-taken')).toMatchObject([{ shown: { hn: 'lit', ng: 'lit', hg: 'off' } }]),
    );
  });

  test('what the device cannot store is said, stays on screen, and can be recorded again', async () => {
    const { kept } = await walkOf({ Den: 2 });
    const full = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    pressKey('4');
    await screen.findByRole('button', { name: /^Record: reads open ground/ });
    await screen.findByText(/^Not kept: this device could not store it/);
    expect(kept('reading-taken')).toEqual([]);
    full.mockRestore();
    pressKey('Enter');
    await screen.findByText('Recorded: Den 1');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(1));
  });

  test('an undo is undone by a button beside it, and by its key, as long as nothing else was recorded', async () => {
    const { user, kept } = await walkOf({ Den: 2 });
    await user.keyboard('4');
    await screen.findByText('Recorded: Den 1');
    expect(screen.queryByRole('button', { name: /^Redo/ })).toBeNull();
    await user.keyboard('u');
    await screen.findByText('Taken back: the reading of Den 1');
    await user.click(await screen.findByRole('button', { name: /^Redo/ }));
    await screen.findByText('Put back: the reading of Den 1');
    await screen.findByRole('heading', { name: /^Reads open ground/ });
    // Nothing else was taken back: it is offered no longer, and the key says why.
    await waitFor(() => expect(screen.queryByRole('button', { name: /^Redo/ })).toBeNull());
    await user.keyboard('{Shift>}u{/Shift}');
    await screen.findByText('Nothing to redo on this device');
    await waitFor(() => expect(kept('withdrawn')).toHaveLength(2));
  });

  test('undo withdraws what was recorded last and goes back there; then there is nothing to undo', async () => {
    const { user, kept } = await walkOf({ Den: 2 });
    await user.keyboard('1');
    await currentPlace('Den 2');
    await user.keyboard('u');
    await screen.findByText('Taken back: the reading of Den 1');
    await currentPlace('Den 1');
    await waitFor(() =>
      expect(kept('withdrawn')).toMatchObject([{ entries: [kept('reading-taken')[0]?.id] }]),
    );
    await user.keyboard('u');
    await screen.findByText('Nothing to undo on this device');
  });

  test('an undo pressed while the reading is still on its way takes that reading back, and says so last', async () => {
    const { kept } = await walkOf({ Den: 2 });
    pressKey('4');
    pressKey('u');
    await waitFor(() =>
      expect(kept('withdrawn')).toMatchObject([{ entries: [kept('reading-taken')[0]?.id] }]),
    );
    await screen.findByText('Taken back: the reading of Den 1');
    await new Promise((go) => setTimeout(go, 3 * mostHeldBack));
    expect(screen.queryByText('Taken back: the reading of Den 1')).not.toBeNull();
    expect(screen.queryByText('Recorded: Den 1')).toBeNull();
  });

  test('who may only read records nothing', async () => {
    const { user, kept } = await walkOf({ Den: 1 }, { role: 'viewer' });
    await screen.findByText('You read here; entering is for inspectors and owners.');
    await user.keyboard('4');
    expect(kept('reading-taken')).toEqual([]);
    expect(screen.queryByText('Recording …')).toBeNull();
    expect(screen.getByRole('button', { name: /Correct – next/ })).toHaveProperty('disabled', true);
  });

  test('the arrows go through rooms and receptacles', async () => {
    const { user } = await walkOf({ Den: 2, Hall: 1 });
    await user.keyboard('{ArrowRight}');
    await currentPlace('Den 2');
    await user.keyboard('{ArrowLeft}');
    await currentPlace('Den 1');
    await user.keyboard('{ArrowDown}');
    await currentPlace('Hall 1');
    await user.keyboard('{ArrowUp}a');
    await currentPlace('Den 3');
  });
});

describe('the engine', () => {
  test('no test follows where people are kept away, by no key either', async () => {
    const { user } = await walkOf({ Den: 2 });
    await user.keyboard('4');
    await screen.findByRole('region', { name: 'Next test' });
    // Scorched.
    await user.keyboard('o');
    const sheet = within(await dialog());
    await user.click(await sheet.findByRole('button', { name: /^Scorched/ }));
    await user.keyboard('{Escape}');
    await screen.findByText('Stop testing here. It has burned or is heating.');
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Next test' })).toBeNull());
    expect(within(verdict()).queryByText(/^Settle it/)).toBeNull();
    expect(within(verdict()).queryByText(/^Before any cover comes off/)).toBeNull();
    await user.keyboard('s');
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  test('says what fits, what is not ruled out, and opens the next test with its key', async () => {
    const { user, kept } = await walkOf({ Den: 1 });
    await user.keyboard('4');
    await within(verdict()).findByText('What fits');
    expect(verdict().textContent).toMatch(/Not ruled out:.*reversed polarity/);
    expect(screen.getByRole('region', { name: 'Next test' }).textContent).toMatch(/^Measure/);
    await user.keyboard('s');
    const sheet = await dialog();
    // What the next test is for is chosen already; another may be taken instead.
    const probe = await within(sheet).findByRole('button', { name: 'Non-contact probe' });
    expect(within(sheet).getByRole('button', { pressed: true }).textContent).toBe('Meter');
    await user.click(probe);
    expect(probe.getAttribute('aria-pressed')).toBe('true');
    const choose = async (contact: string, shows: string): Promise<void> =>
      user.click(within(within(sheet).getByRole('group', { name: contact })).getByText(shows));
    const record = within(sheet).getByRole('button', { name: 'Record' });
    await choose('Hot (narrow slot)', 'sounds');
    await choose('Neutral (wide slot)', 'silent');
    expect(record).toHaveProperty('disabled', true);
    await choose('Ground', 'silent');
    await choose('Plate screw', 'sounds');
    await user.click(record);
    await screen.findByText('Recorded: Den 1, non-contact probe');
    await waitFor(() =>
      expect(kept('reading-taken').slice(1)).toMatchObject([
        { shown: { instrument: 'probe', hot: true, neutral: false, ground: false }, plateScrew: true },
      ]),
    );
  });

  test('what lamps alone leave open is said once the engine has had its time, after the verdict', async () => {
    let answer = (_: null): void => {};
    const late = new Promise<null>((go) => {
      answer = go;
    });
    await whileEngineAnswers({ judge: () => late }, async () => {
      const { user } = await walkOf({ Den: 1 });
      const drawn: string[] = [];
      const watch = new MutationObserver(() => drawn.push(verdict().textContent ?? ''));
      watch.observe(document.body, { childList: true, subtree: true });
      await user.keyboard('4');
      await within(verdict()).findByText('Also fits');
      watch.disconnect();
      const first = drawn.find((one) => one.includes('Reads open ground'));
      expect(first).toBeDefined();
      expect(first).not.toMatch(/Also fits|Not ruled out|Settle it/);
      expect(verdict().textContent).toMatch(/Not ruled out:.*Settle it/);
    }).finally(() => answer(null));
    // Overtaken by another page's question, its own is put once more.
    await within(verdict()).findByText('What fits');
  });

  test('one measured pair is enough; what was left empty is not in the reading', async () => {
    const { user, kept } = await walkOf({ Den: 1 });
    await user.keyboard('m');
    const sheet = await dialog();
    const neutral = await within(sheet).findByLabelText('Neutral–ground');
    const record = within(sheet).getByRole('button', { name: 'Record' });
    expect(record).toHaveProperty('disabled', true);
    await user.type(within(sheet).getByLabelText('Hot–ground'), '11');
    await user.clear(within(sheet).getByLabelText('Hot–ground'));
    await user.type(neutral, '88');
    expect(record).toHaveProperty('disabled', false);
    await user.click(record);
    await waitFor(() =>
      expect(kept('reading-taken').map((entry) => ('shown' in entry ? entry.shown : null))).toEqual([
        { instrument: 'meter', ng: 88 },
      ]),
    );
  });

  test('a value out of all bounds is said to be odd, and recorded as typed', async () => {
    const { user, kept } = await walkOf({ Den: 1 });
    await user.keyboard('m');
    const sheet = await dialog();
    await user.type(await within(sheet).findByLabelText('Hot–neutral'), '1200');
    await user.type(within(sheet).getByLabelText('Hot–ground'), '119');
    await user.type(within(sheet).getByLabelText('Neutral–ground'), '1');
    const alerts = within(sheet)
      .getAllByRole('alert')
      .map(({ textContent }) => textContent ?? '');
    expect(alerts.length).toBeGreaterThan(0);
    for (const alert of alerts) expect(alert).toContain('It is recorded as typed');
    await user.keyboard('{Enter}');
    await waitFor(() =>
      expect(kept('reading-taken')).toMatchObject([{ shown: { hn: 1200, hg: 119, ng: 1 } }]),
    );
  });

  test('what was typed of an instrument and not recorded is there again, and can be cleared', async () => {
    const { user, kept } = await walkOf({ Den: 1 });
    await user.keyboard('m');
    await user.type(await within(await dialog()).findByLabelText('Hot–neutral'), '118');
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await user.keyboard('m');
    const again = await dialog();
    expect(await within(again).findByLabelText('Hot–neutral')).toHaveProperty('value', '118 V');
    await user.click(within(again).getByRole('button', { name: 'Clear' }));
    expect(within(again).getByLabelText('Hot–neutral')).toHaveProperty('value', '');
    expect(kept('reading-taken')).toEqual([]);
  });
});

describe('danger', () => {
  test('what is dangerous to touch asks for no plug, says stop, and keeps that people were warned', async () => {
    const { user, kept } = await walkOf({ Den: 2 });
    expect(verdict().textContent).toContain('Plug the tester in');
    await user.keyboard('o');
    await within(await dialog()).findByRole('button', { name: 'Buzzing or crackling' });
    await user.keyboard('3{Escape}');
    const danger = await within(verdict()).findByRole('alert', { name: 'Danger' });
    expect(danger.textContent).toContain('Stop. It is arcing.');
    expect(verdict().textContent).not.toContain('Plug the tester in');
    await user.click(within(danger).getByRole('button', { name: 'People were warned' }));
    await within(danger).findByText(/People were warned at/);
    await waitFor(() => expect(kept('people-warned')).toHaveLength(1));
    // The large button goes on and claims nothing.
    await user.click(screen.getByRole('button', { name: /^Next/ }));
    await currentPlace('Den 2');
    expect(kept('reading-taken')).toEqual([]);
  });

  test('more than line voltage stops the walk there', async () => {
    await walkOf({ Den: 2 });
    pressKey('8');
    const danger = await within(verdict()).findByRole('alert', { name: 'Danger' });
    expect(danger.textContent).toContain('Stop');
    await currentPlace('Den 1');
  });

  test('a ground that sounds is live: stop, though the lamps read correct', async () => {
    const { statements, ids } = houseOf({ Den: 2 });
    const receptacle = ids['Den 1'] ?? '';
    const { user } = showScreen('/walk', <WalkScreen />, {
      statements: [
        ...statements,
        { kind: 'lamps-read', receptacle, lamps: { hn: 'lit', hg: 'lit', ng: 'off' } },
        {
          kind: 'reading-taken',
          receptacle,
          shown: { instrument: 'probe', hot: false, neutral: true, ground: true },
        },
      ],
    });
    await currentPlace('Den 2');
    await user.keyboard('{ArrowLeft}');
    const danger = await within(verdict()).findByRole('alert', { name: 'Danger' });
    expect(danger.textContent).toContain('ground');
    expect(danger.textContent).toMatch(/live/);
    await within(verdict()).findByRole('heading', { name: 'Reversed bootleg ground' });
    expect(screen.getByRole('button', { name: /^Next/ })).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Correct – next/ })).toBeNull();
  });

  test('readings since the last good function check of a tester that failed are in doubt', async () => {
    const { statements, ids } = houseOf({ Den: 1 });
    const read = { receptacle: ids['Den 1'] ?? '', lamps: { hn: 'lit', hg: 'lit', ng: 'off' } } as const;
    const { user } = showScreen('/walk', <WalkScreen />, {
      statements: [
        ...statements,
        { kind: 'lamps-read', ...read },
        { kind: 'tester-proved', instrument: 'lamps', passed: false },
      ],
    });
    await currentPlace('Den 2');
    await user.keyboard('{ArrowLeft}');
    await screen.findByText(/^A tester failed its function check after this was read, or was dropped/);
    await screen.findByRole('button', { name: /^Tester failed its function check/ });
  });
});

describe('what read wrong before', () => {
  test('is said where it reads correct now; a slip is taken back in the history', async () => {
    const { user, kept } = await walkOf({ Den: 2 });
    await user.keyboard('4');
    await screen.findByText(/^Recorded: Den 1/);
    expect(screen.queryByText(/^It read/)).toBeNull();
    await user.keyboard('1');
    await currentPlace('Den 2');
    await user.keyboard('{ArrowLeft}');
    const said = await screen.findByText(/^It read open ground before/);
    await user.click(within(said.parentElement as HTMLElement).getByRole('button', { name: 'History' }));
    const history = within(await dialog());
    const wrong = (await history.findByText(/hot–ground and neutral–ground off/)).closest(
      'li',
    ) as HTMLElement;
    await user.click(within(wrong).getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(kept('withdrawn')).toHaveLength(1));
    await waitFor(() => expect(screen.queryByText(/^It read open ground before/)).toBeNull());
  });
});

describe('both halves', () => {
  test('are asked for once a visit; where they differ, the lower one is taken apart', async () => {
    const { user, kept, ids } = await walkOf({ Den: 2 });
    await user.keyboard('2');
    await screen.findByText(/^Recorded: Den 1/);
    const asks = () => screen.queryByRole('region', { name: 'Both halves' });
    await waitFor(() => expect(asks()).not.toBeNull());
    await user.click(within(asks() as HTMLElement).getByRole('button', { name: 'Otherwise' }));
    await waitFor(() =>
      expect(kept('halves-tried')).toMatchObject([{ receptacle: ids['Den 1'], alike: false }]),
    );
    await within(asks() as HTMLElement).findByRole('button', { name: 'Take the halves apart' });
    await user.keyboard('{ArrowRight}');
    await currentPlace('Den 2');
    await user.keyboard('3');
    await screen.findByText(/^Recorded: Den 2/);
    expect(asks()).toBeNull();
  });
});

describe('not reached', () => {
  test('one key and a reason’s digit; the walk goes on, and the reason can be taken back', async () => {
    const { user, kept } = await walkOf({ Den: 2 });
    await user.keyboard('n');
    await within(await dialog()).findByText('Behind furniture');
    await user.keyboard('4');
    await currentPlace('Den 2');
    await screen.findByText('Not reached: Den 1, unsafe');
    await user.keyboard('{ArrowLeft}n');
    await within(await dialog()).findByText('Behind furniture');
    await user.keyboard('4');
    await screen.findByText('Den 1: to be reached');
    await waitFor(() => expect(kept('not-reached')).toMatchObject([{ reason: 'unsafe' }, { reason: null }]));
  });
});

test('the list of keys opens with a question mark, and keys do nothing behind it', async () => {
  const { user, kept } = await walkOf({ Den: 1 });
  await user.keyboard('?');
  const list = await dialog();
  expect(list.textContent).toContain('Ground-fault test');
  await user.keyboard('4');
  await user.keyboard('{Escape}');
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(kept('reading-taken')).toEqual([]);
});
