import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { showPart } from '@/testing/screen';
import { SavedNumber, SavedSlider, SavedText, SavedWords } from './saved-fields';

describe('a line of text', () => {
  const shown = (value: string | null = 'Den') => {
    const save = vi.fn();
    return { save, ...showPart(<SavedText label="Name" longest={20} value={value} onSave={save} />) };
  };
  const field = () => screen.getByLabelText<HTMLInputElement>('Name');

  test('is kept when the field is left, trimmed, and not before', async () => {
    const { user, save } = shown();
    await user.clear(field());
    await user.type(field(), '  Study ');
    expect(save).not.toHaveBeenCalled();
    await user.tab();
    expect(save.mock.calls).toEqual([['Study']]);
  });

  test('Enter leaves it; what is as before is not kept anew; emptied, it is nothing', async () => {
    const { user, save } = shown();
    await user.type(field(), '{Enter}');
    await user.type(field(), ' {Enter}');
    expect(save).not.toHaveBeenCalled();
    await user.clear(field());
    await user.keyboard('{Enter}');
    expect(save.mock.calls).toEqual([[null]]);
  });

  test('what somebody else says meanwhile does not take away what is being typed', async () => {
    const { user, save, rerender } = shown();
    await user.type(field(), ' 2');
    const { MantineProvider } = await import('@mantine/core');
    rerender(
      <MantineProvider env="test">
        <SavedText label="Name" longest={20} value="Office" onSave={save} />
      </MantineProvider>,
    );
    expect(field().value).toBe('Den 2');
    await user.tab();
    expect(save.mock.calls).toEqual([['Den 2']]);
    expect(field().value).toBe('Office');
  });

  test('is kept where the page goes from under it', async () => {
    const { user, save, unmount } = shown(null);
    await user.type(field(), 'Loft');
    unmount();
    expect(save.mock.calls).toEqual([['Loft']]);
  });

  test('is kept once where the page is hidden, which may be the last it says', async () => {
    const { user, save } = shown(null);
    await user.type(field(), 'Loft');
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
    fireEvent(document, new Event('visibilitychange'));
    fireEvent(window, new Event('pagehide'));
    expect(save.mock.calls).toEqual([['Loft']]);
    vi.restoreAllMocks();
  });
});

test('of some lines, Enter begins another one', async () => {
  const save = vi.fn();
  const { user } = showPart(<SavedWords label="Closing" longest={200} value={null} onSave={save} />);
  await user.type(screen.getByLabelText('Closing'), 'One{Enter}two');
  await user.tab();
  expect(save.mock.calls).toEqual([['One\ntwo']]);
});

describe('a whole number', () => {
  const shown = () => {
    const save = vi.fn();
    const number = <SavedNumber label="Year" value={1966} least={1700} most={2100} onSave={save} />;
    return { save, ...showPart(number) };
  };
  const field = () => screen.getByLabelText<HTMLInputElement>('Year');

  test('out of bounds it is not taken, and says so', async () => {
    const { user, save } = shown();
    await user.clear(field());
    await user.type(field(), '19660');
    await user.tab();
    expect(save).not.toHaveBeenCalled();
    expect(field().value).toBe('19660');
    expect(screen.getByText('From 1700 to 2100')).toBeTruthy();
    await user.type(field(), '{Backspace}{Enter}');
    expect(save).not.toHaveBeenCalled();
  });

  test('has no sign; emptied, it is not known', async () => {
    const { user, save } = shown();
    await user.clear(field());
    await user.type(field(), '-1987{Enter}');
    await user.clear(field());
    await user.tab();
    expect(save.mock.calls).toEqual([[1987], [null]]);
  });
});

test('a slider that is moved on while it is kept goes on from where it was moved to', async () => {
  const save = vi.fn();
  const slider = (value: number) => (
    <SavedSlider thumbLabel="Sample" min={1} max={60} value={value} onSave={save} />
  );
  const { user, rerender } = showPart(slider(16));
  const { MantineProvider } = await import('@mantine/core');
  const thumb = () => screen.getByRole('slider');
  thumb().focus();
  await user.keyboard('{ArrowRight}{ArrowRight}');
  // What stood at one step is kept when the thumb is already further.
  rerender(<MantineProvider env="test">{slider(17)}</MantineProvider>);
  expect(thumb().getAttribute('aria-valuenow')).toBe('18');
  await user.keyboard('{ArrowRight}');
  expect(thumb().getAttribute('aria-valuenow')).toBe('19');
});
