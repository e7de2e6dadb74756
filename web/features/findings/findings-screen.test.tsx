import type { Entry, JobStatement } from '@fair-plug/core/log';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { whileEngineWaits } from '@/testing/engine';
import { houseOf, showScreen } from '@/testing/screen';
import { FindingsScreen } from './findings-screen';

const list = () => within(screen.getByRole('navigation', { name: 'Findings' }));
const current = () => screen.getByRole('region', { name: 'Current finding' });
const heading = (name: RegExp) => within(current()).findByRole('heading', { level: 3, name });
/** Lines of the list, without what moves them. */
const lines = (name: RegExp) =>
  list()
    .queryAllByRole('button', { name })
    .filter((button) => !button.getAttribute('aria-label')?.startsWith('Move'));
const line = (name: RegExp) =>
  waitFor(() => {
    const [only, ...others] = lines(name);
    expect(others).toEqual([]);
    expect(only).toBeTruthy();
    return only as HTMLElement;
  });
const acceptAll = () => list().getByRole('button', { name: /^Accept all/ });
const dialog = async () => within(await screen.findByRole('dialog'));

const reads = (receptacle: string | undefined, hn: boolean, hg: boolean, ng: boolean): JobStatement => ({
  kind: 'lamps-read',
  receptacle: receptacle ?? '',
  lamps: { hn: hn ? 'lit' : 'off', hg: hg ? 'lit' : 'off', ng: ng ? 'lit' : 'off' },
});

/** Two that read reversed, one open ground, one not read; testers proved, so that nothing else is found. */
async function miswiredDen(role: 'owner' | 'viewer' = 'owner') {
  const { statements, ids } = houseOf({ Den: 4 });
  const proved: JobStatement = { kind: 'tester-proved', instrument: 'lamps', passed: true };
  const shown = showScreen('/findings', <FindingsScreen />, {
    role,
    statements: [
      ...statements,
      { kind: 'job-described', groundedWiring: true },
      proved,
      reads(ids['Den 1'], true, false, true),
      reads(ids['Den 2'], true, false, true),
      reads(ids['Den 3'], true, false, false),
      proved,
    ],
  });
  await screen.findByRole('navigation', { name: 'Findings' });
  await heading(/Reads hot and neutral reversed/);
  return { ...shown, ids };
}

describe('deciding', () => {
  test('one cause is one finding, with its receptacles and its evidence', async () => {
    await miswiredDen();
    await line(/Reads hot and neutral reversed/);
    expect(current().textContent).toContain('Den 1, Den 2');
    expect(current().textContent).toContain('Evidence (2)');
  });

  test('accepted by its key, it keeps what it stood on; the next one is in hand', async () => {
    const { user, kept, ids } = await miswiredDen();
    await user.keyboard('a');
    await heading(/Reads open ground/);
    await line(/reversed.*accepted/i);
    await waitFor(() =>
      expect(kept('finding-decided')).toMatchObject([
        { decision: 'accepted', held: { receptacles: [ids['Den 1'], ids['Den 2']] } },
      ]),
    );
  });

  test('all at once; each can be decided again', async () => {
    const { user, kept } = await miswiredDen();
    await waitFor(() => expect(acceptAll()).toHaveProperty('disabled', false));
    await user.click(acceptAll());
    const stage = screen.getByRole('link', { name: /^Findings/ });
    expect(stage.textContent).toMatch(/to decide/);
    await screen.findByText('Nothing is left to decide.');
    // The rail of the stages says the same in the same moment.
    expect(stage.textContent).not.toMatch(/to decide/);
    await waitFor(() => expect(kept('finding-decided').length).toBeGreaterThan(1));
    await user.click(within(current()).getByRole('button', { name: 'Decide again' }));
    await screen.findByText(/^1 to decide/);
  });

  test('all at once only when all is judged: what lamps alone propose may yet change', async () => {
    await whileEngineWaits(async (judged) => {
      await miswiredDen();
      expect(acceptAll()).toHaveProperty('disabled', true);
      judged();
      await waitFor(() => expect(acceptAll()).toHaveProperty('disabled', false));
    });
  });

  test('refused only with a reason; one begun and left is there again', async () => {
    const { user, kept } = await miswiredDen();
    await user.keyboard('x');
    const form = await dialog();
    const refuse = form.getByRole('button', { name: 'Refuse' });
    expect(refuse).toHaveProperty('disabled', true);
    await user.type(form.getByLabelText('Why is it no finding?'), 'The tester was');
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await user.keyboard('x');
    const again = await dialog();
    await user.type(again.getByLabelText('Why is it no finding?'), ' upside down');
    await user.click(again.getByRole('button', { name: 'Refuse' }));
    await within(current()).findByText(/The tester was upside down/);
    // It has no number in the report, and shows none.
    expect(current().textContent).not.toMatch(/\b0\b/);
    await waitFor(() =>
      expect(kept('finding-decided')).toMatchObject([
        { decision: 'refused', reason: 'The tester was upside down' },
      ]),
    );
  });

  test('who refuses what stands accepted takes that back first, whoever accepted it', async () => {
    const { user, kept } = await miswiredDen();
    await user.keyboard('a');
    await user.click(await line(/reversed.*accepted/i));
    await user.keyboard('x');
    const form = await dialog();
    await user.type(form.getByLabelText('Why is it no finding?'), 'Held upside down');
    await user.click(form.getByRole('button', { name: 'Refuse' }));
    await line(/reversed.*refused/i);
    const decisions = [{ decision: 'accepted' }, { decision: 'open' }, { decision: 'refused' }];
    await waitFor(() => expect(kept('finding-decided')).toMatchObject(decisions));
  });

  test('what somebody else refused meanwhile is to decide again, and said so', async () => {
    const { user, kept, server, job } = await miswiredDen();
    await user.keyboard('a');
    await waitFor(() => expect(kept('finding-decided').length).toBe(1));
    const [own] = kept('finding-decided');
    const theirs = { ...own, id: v7(), author: v7(), decision: 'refused', reason: 'Held upside down' };
    server.logs.get(job)?.push(theirs as Entry);
    fireEvent(window, new Event('online'));
    await user.click(await line(/reversed.*decided both ways/i));
    await within(current()).findByText(/one accepted it, the other refused it \(“Held upside down”\)\./);
    await user.click(within(current()).getByRole('button', { name: /^Accept/ }));
    await line(/reversed.*accepted/i);
  });
});

describe('wording', () => {
  test('in one’s own words, with the engine’s beside them, which also accepts it', async () => {
    const { user, kept } = await miswiredDen();
    await user.keyboard('e');
    const form = await dialog();
    const headline = form.getByLabelText('Headline');
    await user.clear(headline);
    await user.type(headline, 'Swapped wires in the den');
    expect(form.getByText(/^As proposed: Reads hot and neutral reversed/)).toBeTruthy();
    await user.click(form.getByRole('button', { name: 'Keep' }));
    await heading(/Swapped wires in the den/);
    expect(current().textContent).toContain('Worded by hand: headline');
    expect(current().textContent).toContain('Headline, as proposed');
    await waitFor(() =>
      expect(kept('finding-edited')).toMatchObject([{ headline: 'Swapped wires in the den', why: null }]),
    );
    expect(kept('finding-decided')).toMatchObject([{ decision: 'accepted' }]);
  });

  test('words begun and left are there again; the engine’s come back with one press', async () => {
    const { user, kept } = await miswiredDen();
    await user.keyboard('e');
    await user.type((await dialog()).getByLabelText('Note'), 'Seen with the owner');
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await user.keyboard('e');
    const form = await dialog();
    expect(form.getByText(/^From before, not recorded/)).toBeTruthy();
    // Only what was entered was drafted: the engine's words are those of now.
    const [draft] = Object.entries(localStorage).filter(([name]) => name.includes(' draft finding '));
    expect(JSON.parse(draft?.[1] ?? '')).toEqual({ note: 'Seen with the owner' });
    await user.type(form.getByLabelText('Headline'), '!!');
    await user.click(form.getByRole('button', { name: 'The engine’s words again' }));
    expect(form.queryByText(/^As proposed:/)).toBeNull();
    await user.click(form.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(kept('finding-edited')).toMatchObject([{ headline: null, note: 'Seen with the owner' }]),
    );
  });
});

describe('the shape of findings', () => {
  test('one reported as part of another, and taken apart again', async () => {
    const { user, kept } = await miswiredDen();
    await user.click(within(current()).getByRole('button', { name: 'Merge …' }));
    await user.click((await dialog()).getByRole('button', { name: /Reads open ground/ }));
    await waitFor(() => expect(lines(/reversed/)).toEqual([]));
    await user.click(await line(/open ground/i));
    await within(current()).findByText('Reported as part of it');
    await user.click(within(current()).getByRole('button', { name: 'Take apart' }));
    await line(/reversed/);
    await waitFor(() => expect(kept('finding-merged')).toMatchObject([{}, { into: null }]));
  });

  test('some receptacles split off, never all of them', async () => {
    const { user, kept, ids } = await miswiredDen();
    await user.click(within(current()).getByRole('button', { name: 'Split …' }));
    const form = await dialog();
    await user.click(form.getByLabelText('Den 1'));
    await user.click(form.getByLabelText('Den 2'));
    expect(form.getByRole('button', { name: 'Split off' })).toHaveProperty('disabled', true);
    await user.click(form.getByLabelText('Den 1'));
    await user.click(form.getByRole('button', { name: 'Split off' }));
    await waitFor(() => expect(kept('finding-split')).toMatchObject([{ receptacles: [ids['Den 2']] }]));
    expect(lines(/reversed/)).toHaveLength(2);
  });

  test('one of one’s own, of named receptacles; what was typed outlives the form', async () => {
    const { user, kept } = await miswiredDen();
    await user.click(screen.getByRole('button', { name: 'Add a finding' }));
    const form = await dialog();
    await user.type(form.getByLabelText('Headline'), 'Extension cord as wiring');
    await user.type(form.getByLabelText('What is wrong'), 'A cord runs under the rug.');
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await user.click(screen.getByRole('button', { name: 'Add a finding' }));
    const again = await dialog();
    expect(again.getByRole('button', { name: 'Add' })).toHaveProperty('disabled', true);
    await user.type(again.getByLabelText('Why it matters'), 'It chafes and burns.');
    await user.click(again.getByRole('button', { name: 'Add' }));
    await line(/Extension cord as wiring/);
    await waitFor(() =>
      expect(kept('finding-added')).toMatchObject([
        {
          what: 'A cord runs under the rug.',
          why: 'It chafes and burns.',
          urgency: 'repair',
          receptacles: [],
        },
      ]),
    );
  });
});

test('who may only read sees findings and decides on none', async () => {
  const { user, kept } = await miswiredDen('viewer');
  expect(within(current()).queryByRole('button', { name: /Accept|Edit|Refuse|Merge|Split/ })).toBeNull();
  await user.keyboard('aex');
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(kept('finding-decided')).toEqual([]);
});
