/** Every kind of entry in the log of a firm's kit: a file and a line each. */
export { letterheadDescribed } from './letterhead-described.ts';
export { photoKeepingChosen } from './photo-keeping-chosen.ts';
export { phraseSaved } from './phrase-saved.ts';
export { practiceChosen } from './practice-chosen.ts';
export { referenceChecked } from './reference-checked.ts';
export { roomTemplateSaved } from './room-template-saved.ts';
export { testerCalibrated } from './tester-calibrated.ts';
export { testerDescribed } from './tester-described.ts';
export { testerProved } from './tester-proved.ts';
export { withdrawn } from './withdrawn.ts';
export { wordingSaved } from './wording-saved.ts';
