// Names and usual settings that need no schema: what an engine in a browser takes along.

export const legs = ['L1', 'L2'] as const;
export type Leg = (typeof legs)[number];

export const conductors = ['hot', 'neutral', 'ground'] as const;
export type Conductor = (typeof conductors)[number];

export const metals = ['copper', 'aluminum', 'copper-clad-aluminum'] as const;
export type Metal = (typeof metals)[number];

/** Name of the place where every circuit begins. */
export const panel = 'panel';
