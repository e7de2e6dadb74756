/** What a command came to. */
export type CommandResult =
  /** `status`: what the command ends with, where that says something; else 0. */
  | { readonly kind: 'answered'; readonly text: string; readonly status?: number }
  | { readonly kind: 'refused'; readonly message: string };
