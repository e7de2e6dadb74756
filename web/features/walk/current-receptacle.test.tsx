import { screen, waitFor } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test, vi } from 'vitest';
import { houseOf, pressKey, showScreen } from '@/testing/screen';
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

// Until the firm's kit was read, the walk asked to set up a tester that stands there, and what was read in that moment was
// entered without it.
test('the walk begins with the tester in hand', async () => {
  const tester = v7();
  const layout = [
    { pair: 'ng', colour: 'blue' },
    { pair: 'hn', colour: 'white' },
    { pair: 'hg', colour: 'green' },
  ] as const;
  const said = new Set<string>();
  const observer = new MutationObserver(() => {
    if (screen.queryByRole('link', { name: 'Set up your tester' })) said.add('no tester');
    if (screen.queryByText('Short one')) said.add('Short one');
  });
  observer.observe(document, { childList: true, subtree: true });
  const { kept } = showScreen('/walk', <WalkScreen />, {
    statements: houseOf({ Den: 1 }).statements,
    kit: [{ kind: 'tester-described', tester, name: 'Short one', layout: [...layout] }],
  });
  await screen.findByRole('heading', { level: 2, name: 'Den 1' });
  pressKey('7');
  await waitFor(() => expect(kept('reading-taken')).toMatchObject([{ tester }]));
  expect([...said]).toEqual(['Short one']);
  observer.disconnect();
});
