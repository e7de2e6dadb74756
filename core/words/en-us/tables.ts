import type { Words } from '../words.ts';

export const tables: Words['tables'] = {
  receptacles: {
    name: 'Receptacles',
    columns: [
      'Room',
      'Receptacle',
      'Type',
      'Breaker',
      'Place',
      'Lamps',
      'Reads as',
      'Findings',
      'Not reached',
      'Labels',
      'Read at',
      'Note',
      'Id',
    ],
  },
  findings: {
    name: 'Findings',
    columns: [
      'Number',
      'Urgency',
      'Finding',
      'Receptacles',
      'What',
      'Why it matters',
      'Correction',
      'By',
      'Cause',
      'Status',
      'Changed since',
      'Note',
    ],
  },
  workList: {
    name: 'Work list',
    columns: [
      'Room',
      'Receptacle',
      'Findings',
      'Read',
      'Probable cause',
      'Open first',
      'Correction',
      'Retest',
      'Circuit',
    ],
  },
};

export const listFields: Words['listFields'] = {
  room: 'Room',
  receptacle: 'Receptacle',
  type: 'Type',
  breaker: 'Breaker',
  place: 'Place along the run',
  note: 'Note',
};
