import type { KitDraft } from './drafts.ts';
import { type KitEntry, kitChanges } from './entry.ts';
import { usualFirm } from './firm.ts';
import type { Kit } from './kit.ts';
import { standing } from './order.ts';

/** The kit that a set of entries describes; order and duplicates of the entries do not matter. */
export function foldKit(entries: Iterable<KitEntry>): Kit {
  const draft: KitDraft = {
    testers: new Map(),
    templates: new Map(),
    proofs: new Map(),
    lastProofs: new Map(),
    firm: usualFirm,
  };
  for (const entry of standing(entries)) kitChanges.get(entry.kind)?.kit?.(draft, entry as never);
  const { testers, templates, proofs, lastProofs, firm } = draft;
  return {
    testers: [...testers.values()].map((tester) => ({ ...tester, lastProof: proofs.get(tester.id) ?? null })),
    templates: [...templates.values()]
      .filter(({ rooms }) => rooms.length > 0)
      .sort((a, b) => a.name.localeCompare(b.name, 'en')),
    lastProofs,
    firm,
  };
}
