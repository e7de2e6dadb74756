import { MantineProvider, TextInput } from '@mantine/core';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { Sheet } from './sheet';

const letTimersRun = () => new Promise((done) => setTimeout(done, 30));

const sheet = (opened: boolean) => (
  <MantineProvider env="test">
    <Sheet opened={opened} title="What feeds it" onClose={() => {}}>
      <TextInput label="Breaker" />
      <TextInput label="Place" />
    </Sheet>
  </MantineProvider>
);

test('a sheet takes up the focus as it opens', async () => {
  const { rerender } = render(sheet(false));
  rerender(sheet(true));
  await waitFor(() => expect(screen.getByRole('dialog').contains(document.activeElement)).toBe(true));
});

test('who is quicker than the sheet keeps the focus where it is', async () => {
  const { rerender } = render(sheet(false));
  rerender(sheet(true));
  const place = screen.getByLabelText('Place');
  place.focus();
  fireEvent.change(place, { target: { value: '4' } });
  await letTimersRun();
  expect(document.activeElement).toBe(place);
});
