import { writeJobFile } from '@fair-plug/core/exchange';
import { chained, type JobEntry } from '@fair-plug/core/log';
import { describe, expect, test } from 'vitest';
import { asEntries, idNumber } from '../core/log/arbitrary-entries.ts';
import { fairplug } from './run-in-tests.ts';

describe('fairplug verify', () => {
  const entries = chained(
    asEntries(['a', 'b', 'c'].map((text) => ({ kind: 'noted', receptacle: idNumber(9), text }))),
    null,
  ).entries;
  const file = (all: readonly JobEntry[] = entries) =>
    writeJobFile({ job: idNumber(1), entries: all, authors: { [idNumber(3)]: 'Odile Marrin' }, links: [] });
  const whole = JSON.parse(file());
  const verified = (value: unknown) => fairplug(['verify', '-'], JSON.stringify(value));

  test('a job file as it was written is intact', async () => {
    const { status, stdout } = await fairplug(['verify', '-'], file());
    expect([status, stdout]).toEqual([0, 'intact: 3 entries chained, 0 from before there were chains\n']);
  });

  test('a changed byte is altered, and which entry it was; wherever it stands in the file, it is noticed', async () => {
    const changed = await fairplug(['verify', '-'], file().replace('"text":"b"', '"text":"x"'));
    expect(changed.status).toBe(1);
    expect(changed.stdout).toContain(`altered: entry ${entries[1]?.id} (place 2`);
    const text = file();
    // Every letter and digit of the file but the names of its fields and its format.
    const from = text.indexOf('"entries"');
    for (let at = from + 12; at < text.length; at += 7) {
      if (!/[0-9a-z]/.test(text[at] ?? '') || /^[0-9a-zA-Z]*":/.test(text.slice(at))) continue;
      const other = `${text.slice(0, at)}${text[at] === '1' ? '2' : '1'}${text.slice(at + 1)}`;
      expect((await fairplug(['verify', '-'], other)).status, other.slice(at - 20, at + 5)).not.toBe(0);
    }
    const renamed = await verified({ ...whole, authors: { [idNumber(3)]: 'Somebody else' } });
    expect([renamed.status, renamed.stdout.includes('beside its entries')]).toEqual([1, true]);
  });

  test('a dropped entry is pending, the last one too; swapped ones are altered', async () => {
    for (const at of [0, 1, 2]) {
      const dropped = await verified({ ...whole, entries: whole.entries.toSpliced(at, 1) });
      expect(dropped.status).toBe(3);
      expect(dropped.stdout).toContain(`pending: place ${at + 1} of device ${idNumber(2)} is not there`);
    }
    const [a, b, c] = whole.entries;
    const placed = await verified({ ...whole, entries: [b, a, c] });
    expect(placed.status).toBe(1);
    expect(placed.stdout).toContain(`altered: entry ${b.id} (place 2`);
    const exchanged = [{ ...a, text: b.text }, { ...b, text: a.text }, c];
    const said = await verified({ ...whole, entries: exchanged });
    expect(said.status).toBe(1);
    for (const { id } of [a, b]) expect(said.stdout).toContain(`altered: entry ${id}`);
  });

  test('an older file has no chain, and that is said; what is no job file is refused', async () => {
    const bare = entries.map(({ link: _, ...entry }) => entry);
    const old = { format: 'fair-plug/job@2', job: idNumber(1), authors: {}, entries: bare };
    const { status, stdout } = await verified(old);
    expect([status, stdout.includes('nothing in this file is chained')]).toEqual([3, true]);
    expect((await verified({ ...old, format: 'fair-plug/job@9' })).status).toBe(2);
  });
});
