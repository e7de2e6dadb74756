import { expect, test } from 'vitest';
import { isGuessable } from './passwords.ts';

const person = { email: 'edda.marsh@plug.example', name: 'Edda Marsh' };

// Common ones by zxcvbn's list of leaked passwords.
test.each(['1234567890', 'password123', 'qwertyuiop', 'Password123!', 'iloveyou12345', 'aaaaaaaaaaaa'])(
  '%s is among the first that would be tried',
  (password) => expect(isGuessable(password, person)).toBe(true),
);

test.each(['edda.marsh@plug.example', 'edda.marsh', 'EddaMarsh1', 'marsh.edda'])(
  'so is one’s own address or name: %s',
  (password) => expect(isGuessable(password, person)).toBe(true),
);

test.each(['a long password', 'correct horse battery', 'fKw93-vTq1z'])('%s is not', (password) =>
  expect(isGuessable(password, person)).toBe(false),
);
