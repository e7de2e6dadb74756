import { fireEvent, render, screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { expect, test } from 'vitest';
import { useKeys } from './use-keys';

test('the first key counts from the moment that a screen is drawn; none does inside a field, or on a handle', () => {
  const pressed: string[] = [];
  const Screen = () => {
    useKeys([['4', () => pressed.push('4')]]);
    return (
      <>
        <input aria-label="Note" />
        <button type="button" aria-roledescription="sortable" />
      </>
    );
  };
  // Pressed before any effect that waits for the painting has run.
  const AtOnce = () => {
    useLayoutEffect(() => void fireEvent.keyDown(document.body, { key: '4' }), []);
    return null;
  };
  render(
    <>
      <Screen />
      <AtOnce />
    </>,
  );
  expect(pressed).toEqual(['4']);
  fireEvent.keyDown(screen.getByRole('textbox'), { key: '4' });
  expect(pressed).toEqual(['4']);
  fireEvent.keyDown(screen.getByRole('button'), { key: '4' });
  expect(pressed).toEqual(['4']);
});
