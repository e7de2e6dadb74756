import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { asEntries, idNumber } from './arbitrary-entries.ts';
import { bareLinkOf, bodyHash, chained, headsOf, isSameEntry, linkHash, textHash, verify } from './index.ts';

/** So many entries of one device, chained. */
const chainOf = (count: number) =>
  chained(
    asEntries(
      Array.from({ length: count }, (_, n) => ({
        kind: 'noted' as const,
        receptacle: idNumber(0x30),
        text: `Note ${n}`,
      })),
    ),
    null,
  );

test('a text’s hash is SHA-256: the example of FIPS 180-4, and Node’s own', () => {
  expect(textHash('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      expect(textHash(text)).toBe(createHash('sha256').update(text).digest('hex'));
    }),
  );
});

describe('the chain of a device', () => {
  test('a link covers the hash of the body, whatever the order of its keys, and the link before it', () => {
    const { entries, head } = chainOf(3);
    const [first, second, third] = entries;
    if (first === undefined || second === undefined || third === undefined) throw new Error();
    expect([first.link.place, first.link.after, first.link.body]).toEqual([1, null, bodyHash(first)]);
    expect(second.link.after).toBe(linkHash(first.link));
    expect(third.link.after).toBe(linkHash(second.link));
    expect(head).toEqual({ place: 3, hash: linkHash(third.link) });
    const turned = Object.fromEntries(Object.entries(third).toReversed());
    expect(bodyHash(turned)).toBe(third.link.body);
  });

  test('goes on where it ended', () => {
    const all = chainOf(5);
    const bare = all.entries.map(({ link: _, ...entry }) => entry);
    const begun = chained(bare.slice(0, 2), null);
    expect(chained(bare.slice(2), begun.head)).toEqual({ ...all, entries: all.entries.slice(2) });
  });

  test('what a server notes beside an entry changes neither it nor its link', () => {
    const [entry] = chainOf(1).entries;
    if (entry === undefined) throw new Error();
    expect(isSameEntry(entry, { ...entry, received: '2026-05-04T10:00:00.000Z' })).toBe(true);
    expect(isSameEntry(entry, { ...entry, at: '2026-05-04T10:00:00.000Z' })).toBe(false);
  });
});

describe('what chains say', () => {
  const { entries, head } = chainOf(6);
  const heads = headsOf(entries, []);
  const without = (at: number) => entries.filter((_, index) => index !== at);

  test('as it was entered, it is intact, in whatever order it comes', () => {
    expect(heads).toEqual({ [idNumber(2)]: head });
    expect(verify(entries, [], heads)).toMatchObject({ verdict: 'intact', chained: 6, unchained: 0 });
    expect(verify(entries.toReversed(), [], heads).verdict).toBe('intact');
  });

  test('any field of any entry that was changed is found, and which entry it was', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.constantFrom('text', 'at', 'author', 'receptacle', 'kind'), (at, field) => {
        const changed = entries.map((entry, index) =>
          index === at ? { ...entry, [field]: `${(entry as never)[field]}x` } : entry,
        );
        const { verdict, altered } = verify(changed, [], heads);
        expect(verdict).toBe('altered');
        expect(altered.map(({ entry }) => entry)).toEqual([entries[at]?.id]);
      }),
    );
  });

  test('an entry that was changed with its link is found by the one after it, the last one by the head', () => {
    fc.assert(
      fc.property(fc.nat(5), (at) => {
        const changed = entries.map((entry, index) => {
          const other = { ...entry, text: 'Another' };
          return index === at ? { ...other, link: { ...entry.link, body: bodyHash(other) } } : entry;
        });
        const { altered } = verify(changed, [], heads);
        expect(altered.map(({ entry }) => entry)).toEqual([entries[at]?.id]);
      }),
    );
  });

  test('a dropped entry is pending, not altered: it may come later; with its bare link all is intact', () => {
    fc.assert(
      fc.property(fc.nat(5), (at) => {
        const dropped = entries[at];
        const bare = dropped === undefined ? null : bareLinkOf(dropped);
        if (bare === null) throw new Error();
        const found = verify(without(at), [], heads);
        expect(found).toMatchObject({
          verdict: 'pending',
          altered: [],
          gaps: [{ device: idNumber(2), from: at + 1, to: at + 1 }],
        });
        // Erased by law, or refused: its hash stands for it.
        expect(verify(without(at), [bare], heads).verdict).toBe('intact');
        expect(verify(entries, [bare], heads).verdict).toBe('intact');
      }),
    );
    expect(verify([], [], heads)).toMatchObject({ verdict: 'pending', gaps: [{ from: 1, to: 6 }] });
  });

  test('two that changed places in their chain are found', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.nat(5), (a, b) => {
        fc.pre(a !== b);
        const links = entries.map(({ link }) => link);
        const swapped = entries.map((entry, at) => {
          const from = at === a ? links[b] : at === b ? links[a] : links[at];
          return from === undefined ? entry : { ...entry, link: from };
        });
        const { verdict, altered } = verify(swapped, [], heads);
        expect(verdict).toBe('altered');
        expect(altered.map(({ entry }) => entry)).toEqual(
          expect.arrayContaining([entries[a]?.id, entries[b]?.id]),
        );
      }),
    );
  });

  test('what was taken back stays in the chain, with what took it back', () => {
    const said = asEntries([
      { kind: 'noted', receptacle: idNumber(0x30), text: 'Wrong' },
      { kind: 'withdrawn', entries: [idNumber(0x1000)] },
      { kind: 'noted', receptacle: idNumber(0x30), text: 'Right' },
    ]);
    const { entries: all, head: end } = chained(said, null);
    expect(verify(all, [], { [idNumber(2)]: end ?? { place: 0, hash: '' } }).verdict).toBe('intact');
    expect(verify(all.slice(1)).gaps).toMatchObject([{ from: 1, to: 1 }]);
  });

  test('two at one place are found', () => {
    const [first] = entries;
    const [other] = chained(
      asEntries([{ kind: 'noted', receptacle: idNumber(1), text: 'x' }], 0x2000),
      null,
    ).entries;
    if (first === undefined || other === undefined) throw new Error();
    expect(verify([first, other]).altered).toMatchObject([{ how: 'place' }]);
  });

  test('old entries stand unchained before the first link; behind it one without a link may have lost it', () => {
    const bare = entries.map(({ link: _, ...entry }) => entry);
    const later = chained(bare.slice(3), null).entries;
    expect(verify([...bare.slice(0, 3), ...later])).toMatchObject({ verdict: 'intact', unchained: 3 });
    const stripped = [...entries.slice(0, 5), ...bare.slice(5)];
    expect(verify(stripped)).toMatchObject({ verdict: 'pending', unlinked: [entries[5]?.id] });
    // Where nothing is chained, nothing shows what was altered.
    expect(verify(bare)).toMatchObject({ verdict: 'pending', chained: 0 });
  });
});
