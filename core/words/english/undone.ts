import type { JobEntry } from '../../log/index.ts';

/** What an undo takes back, by the kind of the entry, before the name of where that was; null: the name says it all. */
export type UndoneTable = Readonly<Record<JobEntry['kind'], string | null>>;

export interface UndoneTerms {
  /** "ground-fault", "RCD": before "test". */
  readonly groundFaultName: string;
  /** "panel" */
  readonly panelName: string;
  /** "aluminum" */
  readonly aluminumName: string;
}

/** Words for every kind of entry of a job. */
export const undoneTable = (words: UndoneTerms): UndoneTable => ({
  'alteration-noted': 'an alteration',
  'aluminum-sought': `where ${words.aluminumName} was looked for`,
  'author-named': 'the name of an author',
  'branch-taken': 'the branch of',
  'breaker-described': 'a line of the directory',
  'circuit-described': 'what was said of a circuit',
  'combination-tried': 'a position of switches',
  'cover-off': 'what was seen inside',
  'dimmer-measured': 'what was measured of a dimmer',
  'finding-added': 'a finding',
  'finding-decided': 'a decision on a finding',
  'finding-edited': 'the wording of a finding',
  'finding-merged': 'the joining of a finding',
  'finding-split': 'the splitting of a finding',
  'findings-ordered': 'the order of the findings',
  'ground-fault-tested': `the ${words.groundFaultName} test at`,
  'halves-tried': 'the halves of',
  'hot-spot-measured': 'a spot that was looked at',
  'job-described': 'a description of the house',
  'kept-powered': 'what must not lose power',
  'label-noted': 'the label of',
  'labels-looked-for': 'the labels of',
  'lampholder-measured': 'the volts of a lampholder',
  'lamps-read': 'the reading of',
  'left-as-found': 'a line of the close-out',
  'load-planned': 'what runs while heat is looked for',
  'look-noted': 'a visible defect of',
  'looked-behind-cover': 'what was found behind a cover',
  'lost-power': 'what went dead',
  'not-reached': 'not reached:',
  noted: 'a note on',
  'panel-checked': `something looked for at a ${words.panelName}`,
  'panel-described': `the description of a ${words.panelName}`,
  'panel-opened': `that a ${words.panelName} was opened`,
  'panel-skipped': `why no ${words.panelName} was looked at`,
  'people-warned': 'the warning at',
  'photo-described': 'what was said of a photo',
  'photo-marked': 'a mark on a photo',
  'photo-taken': 'a photo',
  'photos-ordered': 'the order of photos',
  'plan-chosen': 'how many are to be tested',
  'point-described': 'a switch or light',
  'point-sign-noted': 'a sign at a switch',
  'power-restored': 'whether the power is back',
  'protection-noted': 'the device of',
  'reading-taken': 'the reading of',
  'receptacle-described': 'the description of',
  'receptacle-fed': 'the breaker of',
  'receptacle-merged': 'the merging of',
  'room-described': null,
  'room-moved': 'the order of the rooms',
  'rooms-ordered': 'the order of the rooms',
  'set-apart': 'that some have nothing in common',
  signed: 'a signature',
  'switch-linked': 'what a switch turns',
  'tester-dropped': 'the fall of a tester',
  'tester-proved': 'the function check of a tester',
  'thermal-picture-read': 'a thermal picture',
  'went-dead': 'what went dead',
  withdrawn: null,
});
