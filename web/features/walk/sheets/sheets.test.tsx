import type { JobStatement } from '@fair-plug/core/log';
import { enUs } from '@fair-plug/core/words';
import {
  type BoundFunctions,
  fireEvent,
  type queries,
  screen,
  waitFor,
  within,
} from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { houseOf, type Shown, showScreen } from '@/testing/screen';
import { WalkScreen } from '../walk-screen';

// Longer than other files: a case for each sheet, all opened from one and the same walk.

interface Opened extends Shown {
  readonly ids: Readonly<Record<string, string>>;
  /** Opens a sheet by its key. */
  readonly open: (key: string) => Promise<BoundFunctions<typeof queries> & { readonly text: () => string }>;
  readonly isClosed: () => Promise<void>;
}

/** A walk with the second receptacle of the den in hand; what was said of the house names receptacles by name. */
async function denTwo(more: (ids: Opened['ids']) => readonly JobStatement[] = () => []): Promise<Opened> {
  const { statements, ids } = houseOf({ Den: 3, Hall: 1 });
  const shown = showScreen('/walk', <WalkScreen />, { statements: [...statements, ...more(ids)] });
  await screen.findByRole('navigation', { name: 'Rooms' });
  await shown.user.click(await screen.findByRole('button', { name: /^Den 2/ }));
  await screen.findByRole('heading', { level: 2, name: 'Den 2' });
  return {
    ...shown,
    ids,
    open: async (key) => {
      await shown.user.keyboard(key);
      const dialog = await screen.findByRole('dialog');
      return { ...within(dialog), text: () => dialog.textContent ?? '' };
    },
    isClosed: () => waitFor(() => expect(screen.queryByRole('dialog')).toBeNull()),
  };
}

const correct = (receptacle: string | undefined): JobStatement => ({
  kind: 'lamps-read',
  receptacle: receptacle ?? '',
  lamps: { hn: 'lit', hg: 'lit', ng: 'off' },
});

describe('ground-fault test', () => {
  test('the tester’s button is offered only after the lamps read correct', async () => {
    const { open } = await denTwo();
    const sheet = await open('g');
    await sheet.findByText(/^Read the lamps first/);
    expect(sheet.queryByRole('button', { name: /press and hold/ })).toBeNull();
    expect(sheet.getByRole('button', { name: 'It trips' })).toBeTruthy();
  });

  test('no ground, no tester’s button: only the device’s own', async () => {
    const { open } = await denTwo((ids) => [
      { kind: 'lamps-read', receptacle: ids['Den 2'] ?? '', lamps: { hn: 'lit', hg: 'off', ng: 'off' } },
    ]);
    const sheet = await open('g');
    await sheet.findByText(/Use the device’s own button/);
    expect(sheet.text()).toContain(enUs.cautions['button-needs-ground']);
    expect(sheet.queryByRole('button', { name: /press and hold/ })).toBeNull();
  });

  test('what must keep power is said before anything is pressed', async () => {
    const { open } = await denTwo(() => [{ kind: 'job-described', keepPowered: ['sump pump', 'freezer'] }]);
    const sheet = await open('g');
    await sheet.findByText('Must not lose power: sump pump, freezer.');
    expect(sheet.text()).toContain(enUs.cautions['ground-fault-test']);
  });

  test('it counts while held; tripped, it asks what is dead; each tap is kept, the power at the end', async () => {
    const { open, user, kept, ids, isClosed } = await denTwo((all) => [correct(all['Den 2'])]);
    const sheet = await open('g');
    // Lamps alone leave a live ground open: what speaks against the button is said with it.
    await sheet.findByText(enUs.screens.walk.hazards['live-ground']);
    await user.click(await sheet.findByRole('button', { name: 'I press and hold it now' }));
    await waitFor(() =>
      expect(Number.parseFloat(sheet.getByRole('timer').textContent ?? '')).toBeGreaterThan(0),
    );
    await user.click(sheet.getByRole('button', { name: 'Tripped: all lamps out' }));
    await sheet.findByText('Tripped.');
    await waitFor(() =>
      expect(kept('ground-fault-tested')).toMatchObject([
        { by: 'tester-button', result: 'tripped', heldSeconds: expect.any(Number) },
      ]),
    );
    await user.click(sheet.getByRole('button', { name: 'Hall 1' }));
    await waitFor(() =>
      expect(kept('lost-power')).toMatchObject([
        { by: { kind: 'device', receptacle: ids['Den 2'] }, outlet: ids['Den 2'], lost: true },
        { outlet: ids['Hall 1'], lost: true },
      ]),
    );
    await user.click(sheet.getByRole('button', { name: 'Power is back' }));
    await isClosed();
    await waitFor(() =>
      expect(kept('power-restored')).toMatchObject([
        { by: { kind: 'device', receptacle: ids['Den 2'] }, restored: true },
      ]),
    );
    expect(kept('lost-power')).toHaveLength(2);
  });

  test('closed before anybody said that the power is back, it is left undone', async () => {
    const { open, user, isClosed } = await denTwo((all) => [correct(all['Den 2'])]);
    const sheet = await open('g');
    await user.click(await sheet.findByRole('button', { name: 'It trips' }));
    await sheet.findByText('Tripped.');
    await user.keyboard('{Escape}');
    await isClosed();
    const leaving = await open('f');
    await leaving.findByText('Power is not said to be back: Den 2.');
  });

  test('labels, the reset and a locked device are each an entry; “None” takes all labels away', async () => {
    const { open, user, kept } = await denTwo();
    const sheet = await open('g');
    await user.click(await sheet.findByRole('button', { name: '“GFCI Protected”' }));
    await user.click(sheet.getByRole('button', { name: '“No Equipment Ground”' }));
    await user.click(sheet.getByRole('button', { name: 'None' }));
    await user.type(sheet.getByLabelText('Reset is at'), 'garage, by the door{Enter}');
    await user.click(sheet.getByLabelText('Locked out: it will not reset at all'));
    await waitFor(() => expect(kept('protection-noted')).toHaveLength(2));
    expect(kept('label-noted')).toMatchObject([
      { label: 'protected', there: true },
      { label: 'no-equipment-ground', there: true },
      { label: 'protected', there: false },
      { label: 'no-equipment-ground', there: false },
    ]);
    expect(kept('labels-looked-for')).toHaveLength(1);
    expect(kept('protection-noted')).toMatchObject([{ resetAt: 'garage, by the door' }, { lockedOut: true }]);
  });
});

describe('taps one after another, faster than the screen is drawn anew', () => {
  /** Presses at once, before anything that they lead to is drawn. */
  const pressAll = (...pressed: readonly HTMLElement[]): void => {
    for (const one of pressed) fireEvent.click(one);
  };

  test('two labels of a device: both are there', async () => {
    const { open, kept } = await denTwo();
    const sheet = await open('g');
    const first = await sheet.findByRole('button', { name: '“GFCI Protected”' });
    pressAll(first, sheet.getByRole('button', { name: '“No Equipment Ground”' }));
    await waitFor(() =>
      expect(kept('label-noted')).toMatchObject([
        { label: 'protected', there: true },
        { label: 'no-equipment-ground', there: true },
      ]),
    );
  });

  test('two receptacles that went dead: both are there', async () => {
    const { open, user, kept, ids } = await denTwo((all) => [correct(all['Den 2'])]);
    const sheet = await open('g');
    await user.click(await sheet.findByRole('button', { name: 'It trips' }));
    await sheet.findByText('Tripped.');
    pressAll(sheet.getByRole('button', { name: 'Den 3' }), sheet.getByRole('button', { name: 'Hall 1' }));
    pressAll(sheet.getByRole('button', { name: 'Power is back' }));
    await waitFor(() => expect(kept('power-restored')).toMatchObject([{ restored: true }]));
    expect(kept('lost-power')).toMatchObject(
      ['Den 2', 'Den 3', 'Hall 1'].map((name) => ({ outlet: ids[name], lost: true })),
    );
  });

  test('one look twice: seen, and taken back', async () => {
    const { open, kept } = await denTwo();
    const sheet = await open('o');
    const look = await sheet.findByRole('button', { name: 'Scorched' });
    pressAll(look, look);
    await waitFor(() => expect(kept('look-noted')).toMatchObject([{ seen: true }, { seen: false }]));
  });

  test('a new name and a new kind: both hold', async () => {
    const { open, user, kept, isClosed } = await denTwo();
    const sheet = await open('e');
    const name = await sheet.findByLabelText('Name');
    fireEvent.change(name, { target: { value: 'Den by the stairs' } });
    fireEvent.blur(name);
    await user.keyboard('{Escape}');
    await isClosed();
    const kinds = await open('t');
    pressAll(
      await kinds.findByRole('button', { name: /^Two-slot/ }),
      kinds.getByLabelText('A three-to-two adapter is in use'),
    );
    await waitFor(() => expect(kept('receptacle-described').at(-1)).toMatchObject({ adapter: true }));
    expect(kept('receptacle-described').slice(-2)).toMatchObject([
      { name: 'Den by the stairs', type: 'two-slot' },
      { name: 'Den by the stairs', adapter: true },
    ]);
  });

  test('“Undo” twice takes back two actions', async () => {
    const { user, kept, ids } = await denTwo();
    await user.keyboard('2');
    await screen.findByText(/^Recorded: Den 2/);
    await user.keyboard('4');
    await waitFor(() => expect(kept('reading-taken')).toHaveLength(2));
    await user.keyboard('uu');
    await waitFor(() => expect(kept('withdrawn')).toHaveLength(2));
    const withdrawn = kept('withdrawn').flatMap((entry) => (entry.kind === 'withdrawn' ? entry.entries : []));
    const read = kept('reading-taken').map(({ id }) => id);
    expect(withdrawn).toEqual(read.toReversed());
    expect(kept('reading-taken')).toMatchObject([{ receptacle: ids['Den 2'] }, { receptacle: ids['Den 2'] }]);
  });
});

describe('a breaker', () => {
  test('is not switched without leave; with it, what goes dead is on it, and the power is asked for', async () => {
    const { open, user, kept, ids, isClosed } = await denTwo();
    const sheet = await open('b');
    await user.click(await sheet.findByRole('button', { name: 'Leave was given' }));
    const these = await sheet.findByRole('button', { name: /went dead$/ });
    expect(these).toHaveProperty('disabled', true);
    // By keys alone: the button that was pressed is gone.
    await waitFor(() =>
      expect(document.activeElement).toBe(sheet.getByLabelText('Breaker, as the directory has it')),
    );
    await user.keyboard('7');
    await user.click(sheet.getByRole('button', { name: 'Den 1' }));
    await user.click(sheet.getByRole('button', { name: 'Hall 1' }));
    await user.click(sheet.getByRole('button', { name: 'Den 1' }));
    // Closed by mistake: nothing of it is lost.
    await user.keyboard('{Escape}');
    await isClosed();
    const again = await open('b');
    await again.findByText(/^From before, not recorded/);
    await user.click(again.getByRole('button', { name: 'These 1 went dead' }));
    const back = await again.findByRole('button', { name: 'Power is back' });
    await waitFor(() => expect(document.activeElement).toBe(back.parentElement));
    await user.click(back);
    await isClosed();
    await waitFor(() =>
      expect(kept('power-restored')).toMatchObject([
        { by: { kind: 'breaker', breaker: '7' }, restored: true },
      ]),
    );
    expect(kept('lost-power')).toMatchObject([
      { by: { kind: 'breaker', breaker: '7' }, outlet: ids['Hall 1'], lost: true },
    ]);
    expect(kept('receptacle-fed')).toMatchObject([{ receptacle: ids['Hall 1'], breaker: '7' }]);
  });
});

describe('cover off', () => {
  test('nothing can be entered before a qualified person has proved the box dead', async () => {
    const { open, user, kept, isClosed } = await denTwo();
    const sheet = await open('c');
    const metal = await sheet.findByRole('button', { name: 'Aluminum' });
    const isOff = (element: HTMLElement) => element.matches(':disabled');
    expect(isOff(metal)).toBe(true);
    expect(isOff(sheet.getByRole('button', { name: 'Record' }))).toBe(true);
    expect(sheet.text()).toContain(enUs.cautions.box);
    await user.click(sheet.getByLabelText(/^I am qualified/));
    await user.click(metal);
    await sheet.findByText(/Ordinary devices are made for copper alone/);
    await user.selectOptions(sheet.getByLabelText('Size'), '12 AWG');
    await user.click(sheet.getByLabelText('Push-in terminals in use'));
    // What was entered stays when the sheet is closed; that the box is dead must be said again.
    await user.keyboard('{Escape}');
    await isClosed();
    const again = await open('c');
    expect(isOff(await again.findByRole('button', { name: 'Record' }))).toBe(true);
    expect(again.getByLabelText('Size')).toHaveProperty('value', '12');
    await user.click(again.getByLabelText(/^I am qualified/));
    await user.click(again.getByRole('button', { name: 'Record' }));
    await isClosed();
    await waitFor(() =>
      expect(kept('cover-off')).toMatchObject([
        { provedDead: true, metal: 'aluminum', awg: 12, pushIn: true, jumper: false },
      ]),
    );
  });
});

describe('rename, move, merge', () => {
  test('a new name and another room', async () => {
    const { open, user, kept, isClosed } = await denTwo();
    const sheet = await open('e');
    const name = await sheet.findByLabelText('Name');
    await user.clear(name);
    await user.type(name, 'Den by the stairs{Enter}');
    await screen.findByRole('heading', { level: 2, name: 'Den by the stairs' });
    await user.selectOptions(sheet.getByLabelText('Room'), 'Hall');
    await isClosed();
    await screen.findByText('Moved: Den by the stairs to Hall');
    await waitFor(() => expect(kept('receptacle-described').at(-1)).toMatchObject({ spot: null }));
  });

  test('one named like another is told apart, and merged with it where it is the same', async () => {
    const { open, user, kept, ids, isClosed } = await denTwo();
    const name = await (await open('e')).findByLabelText('Name');
    await user.clear(name);
    await user.type(name, 'Den 1{Enter}');
    await screen.findByRole('heading', { level: 2, name: 'Den 1 (2)' });
    await user.keyboard('{Escape}');
    await isClosed();
    await user.click(screen.getByRole('button', { name: /^Named like Den 1: the same one\?/ }));
    const sheet = within(await screen.findByRole('dialog'));
    await user.click(sheet.getByRole('button', { name: 'Merge' }));
    await isClosed();
    await waitFor(() =>
      expect(kept('receptacle-merged')).toMatchObject([{ receptacle: ids['Den 2'], into: ids['Den 1'] }]),
    );
  });

  test('one entered twice becomes one, with all that was read at both', async () => {
    const { open, user, kept, ids, isClosed } = await denTwo((all) => [
      correct(all['Den 1']),
      correct(all['Den 2']),
    ]);
    const sheet = await open('e');
    expect(await sheet.findByRole('button', { name: 'Merge' })).toHaveProperty('disabled', true);
    await user.selectOptions(sheet.getByLabelText('It is the same as'), 'Den 1');
    await user.click(sheet.getByRole('button', { name: 'Merge' }));
    await isClosed();
    await waitFor(() =>
      expect(kept('receptacle-merged')).toMatchObject([{ receptacle: ids['Den 2'], into: ids['Den 1'] }]),
    );
    expect(screen.queryByRole('button', { name: /^Den 2/ })).toBeNull();
    const rooms = within(screen.getByRole('navigation', { name: 'Rooms' }));
    await user.click(rooms.getByRole('button', { name: /^Den 1 reads/ }));
    const history = await open('h');
    await history.findByText('Merged into another');
    // Both were described and read.
    expect((await history.findAllByRole('listitem')).length).toBe(5);
  });

  test('halves that read apart are two, and cannot be taken apart again', async () => {
    const { open, user, kept, ids } = await denTwo();
    const sheet = await open('e');
    await user.click(await sheet.findByRole('button', { name: 'Take the halves apart' }));
    await screen.findByRole('heading', { level: 2, name: 'Den 2 upper' });
    await waitFor(() =>
      expect(kept('receptacle-described').slice(-2)).toMatchObject([
        { receptacle: ids['Den 2'], name: 'Den 2 upper' },
        { name: 'Den 2 lower', halfOf: ids['Den 2'] },
      ]),
    );
    const again = await open('e');
    await again.findByLabelText('Name');
    expect(again.queryByRole('button', { name: 'Take the halves apart' })).toBeNull();
  });
});

describe('history', () => {
  test('names every entry with its time and who made it; one can be taken back and stays to be seen', async () => {
    const { open, user, kept } = await denTwo((all) => {
      const receptacle = all['Den 2'] ?? '';
      return [
        correct(receptacle),
        { kind: 'reading-taken', receptacle, shown: { instrument: 'meter', hn: 119, hg: 118, ng: 1 } },
        { kind: 'look-noted', receptacle, look: 'painted', seen: true },
        { kind: 'not-reached', receptacle, reason: 'locked' },
        { kind: 'ground-fault-tested', receptacle, by: 'own-button', result: 'power-stays-on' },
        { kind: 'noted', receptacle, text: 'behind the sofa' },
        { kind: 'receptacle-fed', receptacle, breaker: '12', place: 3 },
      ];
    });
    const sheet = await open('h');
    await sheet.findAllByRole('listitem');
    for (const words of [
      'Lamps: ',
      'Meter: ',
      'painted over',
      'Not reached: locked',
      'Ground-fault test, own button: power stays on',
      'Note: behind the sofa',
      'On breaker 12',
    ])
      expect(sheet.text().toLowerCase()).toContain(words.toLowerCase());
    expect(sheet.text()).toContain('Tessa Quillon · another device');
    const [latest] = sheet.getAllByRole('button', { name: 'Take back' });
    await user.click(latest as HTMLElement);
    await screen.findByText('Taken back: On breaker 12');
    await waitFor(() => expect(kept('withdrawn')).toHaveLength(1));
    const gone = sheet
      .getAllByRole<HTMLLIElement>('listitem')
      .filter((line) => line.dataset.withdrawn === 'true');
    expect(gone.map((line) => line.textContent)).toEqual([expect.stringContaining('On breaker 12')]);
    await user.click(sheet.getByRole('button', { name: 'Put back' }));
    await screen.findByText('Put back: On breaker 12');
    await waitFor(() => expect(sheet.queryByRole('button', { name: 'Put back' })).toBeNull());
    await waitFor(() => expect(kept('withdrawn')).toHaveLength(2));
  });
});

describe('the rest', () => {
  test('a note is kept; one begun and left is there again', async () => {
    const { open, user, kept, isClosed } = await denTwo();
    const sheet = await open('w');
    await user.type(await sheet.findByLabelText('Note'), 'hums when ');
    await user.keyboard('{Escape}');
    await isClosed();
    const again = await open('w');
    await user.type(await again.findByLabelText('Note'), 'loaded');
    await user.click(again.getByRole('button', { name: 'Keep the note' }));
    await isClosed();
    await waitFor(() => expect(kept('noted')).toMatchObject([{ text: 'hums when loaded' }]));
    const third = await open('w');
    expect(await third.findByLabelText('Note')).toHaveProperty('value', '');
    expect(third.text()).toContain('hums when loaded');
  });

  test('kinds by their digits, an adapter, and the breaker that feeds it', async () => {
    const { open, user, kept, isClosed } = await denTwo();
    const sheet = await open('t');
    await sheet.findByRole('group', { name: 'Kind' });
    await user.keyboard('2');
    await screen.findByText('Den 2: two-slot');
    await user.click(sheet.getByLabelText('A three-to-two adapter is in use'));
    await user.type(sheet.getByLabelText('Breaker'), '9');
    await user.type(sheet.getByLabelText('Place from panel'), '2');
    // Done with the sheet, not with the two fields: they are kept all the same, once.
    await user.click(sheet.getByRole('button', { name: 'Done' }));
    await isClosed();
    await waitFor(() => expect(kept('receptacle-fed')).toMatchObject([{ breaker: '9', place: 2 }]));
    expect(kept('receptacle-described').slice(-2)).toMatchObject([{ type: 'two-slot' }, { adapter: true }]);
  });

  test('a proof is kept in the house and in the kit', async () => {
    const { open, user, kept, server } = await denTwo();
    const sheet = await open('p');
    await user.click(await sheet.findByRole('button', { name: 'Meter shows it good' }));
    await sheet.findByText(/^checked/);
    await waitFor(() => expect(kept('tester-proved')).toMatchObject([{ instrument: 'meter', passed: true }]));
    await waitFor(() =>
      expect(server.logs.get('kit')).toMatchObject([{ kind: 'tester-proved', passed: true }]),
    );
  });

  test('leaving: what is done is ticked, what is left is named', async () => {
    const { open, user, kept } = await denTwo((all) => [
      correct(all['Den 1']),
      { kind: 'not-reached', receptacle: all['Hall 1'] ?? '', reason: 'furniture' },
    ]);
    const sheet = await open('f');
    await sheet.findByText('Neither read nor given a reason: Den 2, Den 3.');
    const [first] = sheet.getAllByRole('checkbox');
    await user.click(first as HTMLElement);
    await waitFor(() => expect(kept('left-as-found')).toMatchObject([{ done: true }]));
    expect(sheet.text()).toContain('Still to prove: plug-in lamps.');
  });
});
