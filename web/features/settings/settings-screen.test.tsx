import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { showScreen } from '@/testing/screen';
import { SettingsScreen } from './settings-screen';

const settings = async (rest: Parameters<typeof showScreen>[2] = {}) => {
  const shown = showScreen('/settings', <SettingsScreen />, rest);
  await screen.findByRole('region', { name: 'Letterhead' });
  return {
    ...shown,
    kit: (kind: string) => shown.server.logs.get('kit')?.filter((one) => one.kind === kind),
  };
};
const section = (name: string) => within(screen.getByRole('region', { name }));

describe('an owner settles', () => {
  test('the letterhead, seen as it will head a report', async () => {
    const { user, kit } = await settings();
    const letterhead = section('Letterhead');
    await user.type(letterhead.getByLabelText('Licence'), 'HI-17{Enter}');
    await within(letterhead.getByRole('figure')).findByText('HI-17');
    await waitFor(() => expect(kit('letterhead-described')).toMatchObject([{ licence: 'HI-17' }]));
  });

  test('phrases for notes and captions, and how long photos are kept that were taken back', async () => {
    const { user, kit } = await settings();
    const notes = section('Notes and photos');
    await user.type(notes.getByLabelText('One more phrase'), 'Loose in its box{Enter}');
    await waitFor(() =>
      expect(notes.getByLabelText<HTMLInputElement>('Phrase 1').value).toBe('Loose in its box'),
    );
    expect(notes.getByLabelText<HTMLInputElement>('One more phrase').value).toBe('');
    const days = notes.getByLabelText<HTMLInputElement>(/^Days that photos/);
    expect(days.value).toBe('90 days');
    await user.clear(days);
    await user.type(days, '30{Enter}');
    await waitFor(() => expect(kit('photo-keeping-chosen')).toMatchObject([{ days: 30 }]));
  });

  test('two references ticked in quick succession are both ticked', async () => {
    const { kit } = await settings();
    const [first, second] = section('References').getAllByRole('checkbox');
    for (const one of [first, second]) fireEvent.click(one as HTMLElement);
    await waitFor(() =>
      expect(kit('reference-checked')).toMatchObject(
        [first, second].map((one) => ({ reference: (one as HTMLInputElement).value, checked: true })),
      ),
    );
  });

  test('the code’s edition, the school, and whether the years of its rules hold here', async () => {
    const { user, kit } = await settings();
    const practice = section('Code and schools');
    await user.type(practice.getByLabelText('Edition of the code in force'), '2023{Enter}');
    await user.click(practice.getByLabelText(/^Ground-fault rules by the years/));
    const limit = within(
      practice.getByRole('radiogroup', {
        name: 'How many volts from neutral to ground under load are still well?',
      }),
    );
    await user.click(limit.getByLabelText(/^half a volt/i));
    await waitFor(() => expect(kit('practice-chosen')).toHaveLength(3));
    expect(kit('practice-chosen')).toMatchObject([
      { edition: '2023' },
      { groundFaultRules: 'off' },
      { schools: expect.any(Object) },
    ]);
    await screen.findByText(/Tick what you have read in 2023/);
  });

  test('its own words, filled in as they are typed', async () => {
    const { user, kit } = await settings();
    const wording = section('Wording');
    await user.type(wording.getByLabelText('Closing'), 'With regards, {{inspector}');
    await wording.findByText('With regards, Tessa Quillon');
    expect(kit('wording-saved')).toEqual([]);
    await user.tab();
    await waitFor(() =>
      expect(kit('wording-saved')).toMatchObject([{ of: 'closing', text: 'With regards, {inspector}' }]),
    );
  });

  test('its own sentence for the correction of a condition, each apart', async () => {
    const { user, kit } = await settings();
    const wording = section('Wording');
    await user.type(wording.getByLabelText('In the firm’s words'), 'We say so.');
    // Another condition is chosen before the field was left by itself.
    await user.selectOptions(wording.getByLabelText('Correction of'), 'Open ground');
    expect(wording.getByLabelText('In the firm’s words')).toHaveProperty('value', '');
    await waitFor(() =>
      expect(kit('wording-saved')).toMatchObject([
        { of: { correctionOf: 'reversed-polarity' }, text: 'We say so.' },
      ]),
    );
  });

  test('which references were read', async () => {
    const { user, kit } = await settings();
    const [first] = section('References').getAllByRole('checkbox');
    await user.click(first as HTMLElement);
    await waitFor(() => expect(kit('reference-checked')).toMatchObject([{ checked: true }]));
  });
});

test('an inspector sees what holds, and settles nothing', async () => {
  await settings({ role: 'inspector' });
  expect(screen.getByText(/^An owner of the firm settles these/)).toBeTruthy();
  for (const field of screen.getAllByRole('textbox')) expect(field).toHaveProperty('disabled', true);
  for (const box of screen.getAllByRole('checkbox')) expect(box).toHaveProperty('disabled', true);
});
