import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { houseOf, showScreen } from '@/testing/screen';
import { WalkScreen } from './walk-screen';

// Drawn as on a desk first and made smaller a moment later, it took all that stands below it a hundred pixels up: a tap
// that was on its way fell on nothing.
test('on a phone the receptacle in hand is drawn in its size from the first', async () => {
  const usual = window.matchMedia;
  const spy = vi
    .spyOn(window, 'matchMedia')
    .mockImplementation((query) => ({ ...usual(query), matches: query === '(max-width: 48em)' }));
  const widths = new Set<string | null>();
  const look = () => {
    for (const drawn of document.querySelectorAll('svg[data-size="large"]'))
      widths.add(drawn.getAttribute('width'));
  };
  const observer = new MutationObserver((changes) => {
    for (const { oldValue } of changes) if (oldValue !== null) widths.add(oldValue);
    look();
  });
  observer.observe(document, {
    childList: true,
    subtree: true,
    attributeFilter: ['width'],
    attributeOldValue: true,
  });
  showScreen('/walk', <WalkScreen />, { statements: houseOf({ Den: 1 }).statements });
  await screen.findByRole('heading', { level: 2, name: 'Den 1' });
  await screen.findByRole('button', { name: /^Den/ });
  look();
  expect([...widths]).toEqual(['156']);
  observer.disconnect();
  spy.mockRestore();
});
