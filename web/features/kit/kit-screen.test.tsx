import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { showScreen } from '@/testing/screen';
import { KitScreen } from './kit-screen';

const kit = async (rest: Parameters<typeof showScreen>[2] = {}) => {
  const shown = showScreen('/kit', <KitScreen />, rest);
  await screen.findByRole('heading', { level: 1, name: 'Kit' });
  return shown;
};
const lamp = (at: number, pattern: string) =>
  screen.getByRole('button', { name: new RegExp(`^Lamp ${at} for ${pattern}:`) });

test('two instruments taken out of the bag in quick succession are both out', async () => {
  await kit();
  const bag = within(screen.getByRole('region', { name: 'In the bag' }));
  for (const name of ['Meter', 'Non-contact probe']) fireEvent.click(bag.getByLabelText(name));
  await waitFor(() => expect(bag.getByLabelText('Meter')).toHaveProperty('checked', false));
  expect(bag.getByLabelText('Non-contact probe')).toHaveProperty('checked', false);
});

describe('a tester of one’s own', () => {
  test('two patterns as it shows them settle which pair each of its lamps bridges', async () => {
    const { user, server } = await kit();
    await user.click(screen.getByRole('button', { name: 'Set up a tester' }));
    const save = screen.getByRole('button', { name: 'Save the tester' });
    expect(save).toHaveProperty('disabled', true);
    await user.selectOptions(screen.getByLabelText('Colour of lamp 1'), 'blue');
    for (const at of [2, 3]) await user.click(lamp(at, 'correct'));
    await user.click(lamp(2, 'open ground'));
    await screen.findByText('That settles the order of its lamps.');
    await user.type(screen.getByLabelText('What you call it'), 'Old one');
    await user.type(screen.getByLabelText('Rating, as printed on it'), 'CAT III, 300 V');
    await user.click(save);
    await screen.findByRole('heading', { level: 2, name: 'Old one' });
    expect(screen.getByText('In use here')).toBeTruthy();
    // Lit in both: hot to neutral. Lit in the first alone: hot to ground. Dark in both: neutral to ground.
    await waitFor(() =>
      expect(server.logs.get('kit')).toMatchObject([
        {
          kind: 'tester-described',
          name: 'Old one',
          layout: [{ pair: 'ng', colour: 'blue' }, { pair: 'hn' }, { pair: 'hg' }],
        },
      ]),
    );
  });

  test('patterns that no tester shows are said to be wrong, and not saved', async () => {
    const { user } = await kit();
    await user.click(screen.getByRole('button', { name: 'Set up a tester' }));
    await user.click(lamp(1, 'correct'));
    await user.click(lamp(3, 'open ground'));
    await screen.findByText(/“Correct” lights two of the three lamps/);
    await user.click(lamp(2, 'correct'));
    await screen.findByText(/also lit for “correct”/);
    expect(screen.getByRole('button', { name: 'Save the tester' })).toHaveProperty('disabled', true);
  });

  test('of several, one is in use on this device', async () => {
    const layout = [
      { pair: 'hg', colour: 'white' },
      { pair: 'ng', colour: 'blue' },
      { pair: 'hn', colour: 'white' },
    ] as const;
    const [first, second] = ['01900000-0000-7000-8000-000000000b01', '01900000-0000-7000-8000-000000000b02'];
    const { user } = await kit({
      kit: [
        { kind: 'tester-described', tester: first as string, name: 'Long one', layout: [...layout] },
        { kind: 'tester-described', tester: second as string, name: 'Short one', layout: [...layout] },
        { kind: 'tester-proved', instrument: 'lamps', tester: first as string, passed: true },
      ],
    });
    const lines = () => screen.getAllByRole('listitem').filter((line) => line.querySelector('h2') !== null);
    await waitFor(() => expect(lines()).toHaveLength(2));
    const [long, short] = lines() as [HTMLElement, HTMLElement];
    expect(long.textContent).toMatch(/checked 4 May 2026/);
    expect(short.textContent).toContain('never checked');
    await user.click(within(long).getByRole('button', { name: 'Use this one' }));
    await within(long).findByText('In use here');
  });
});

test('serial number and calibration of the meter are kept', async () => {
  const { user, server } = await kit();
  const marks = within(await screen.findByRole('region', { name: 'Serial numbers and calibration' }));
  await user.type(marks.getByLabelText('Serial number of Meter'), 'M 1234{Enter}');
  fireEvent.change(marks.getByLabelText('Calibration of Meter'), { target: { value: '2026-05-04' } });
  fireEvent.blur(marks.getByLabelText('Calibration of Meter'));
  await waitFor(() =>
    expect(server.logs.get('kit')).toMatchObject([
      { kind: 'tester-calibrated', instrument: 'meter', serial: 'M 1234' },
      { kind: 'tester-calibrated', instrument: 'meter', calibratedOn: '2026-05-04' },
    ]),
  );
});

describe('the bag', () => {
  test('what it cannot see shrinks with what is in it, by the engine', async () => {
    const { user } = await kit();
    const bag = within(await screen.findByRole('region', { name: 'In the bag' }));
    await bag.findByText('Bootleg ground');
    expect(bag.queryByText('Reversed bootleg ground')).toBeNull();
    await user.click(bag.getByLabelText('Non-contact probe'));
    await bag.findByText('Reversed bootleg ground');
    expect(bag.getByLabelText('Plug-in lamps')).toHaveProperty('disabled', true);
  });
});
