import { ownerPage as english } from './en/owner-page.ts';
import { reportTexts } from './en/report.ts';
import { ownerPage as spanish } from './es/owner-page.ts';
import type { OwnerTexts } from './owner-texts.ts';

export * from './owner-texts.ts';
export * from './report-texts.ts';
export { reportTexts };

/** Languages that the owner's page is there in: one folder each. */
export const ownerPages = { en: english, es: spanish } as const satisfies Readonly<
  Record<string, OwnerTexts>
>;
export type OwnerLanguage = keyof typeof ownerPages;
export const ownerLanguages = Object.keys(ownerPages) as [OwnerLanguage, ...OwnerLanguage[]];
