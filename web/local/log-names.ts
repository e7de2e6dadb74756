/** The log that an entry belongs to: a job's id, or the kit. */
export type LogKey = string;
export const kitKey: LogKey = 'kit';

/** Version of a store, as the browser counts it: ten times the last that `LocalDatabase` names. */
export const storeVersion = 60;
