const uuidV7 = /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

/** The same as `idSchema` says, for pages that load no schemas. */
export const isId = (text: string): boolean => uuidV7.test(text);
