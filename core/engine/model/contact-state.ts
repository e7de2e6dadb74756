/** What is known of a contact: a corner is drawn as energized only on `live`. */
export type ContactState = 'live' | 'may-be-live' | 'not-live';
