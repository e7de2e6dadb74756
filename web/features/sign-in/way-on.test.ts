import { expect, test } from 'vitest';
import { wayOn } from './way-on.ts';

test.each(['/walk?job=01900000-0000-7000-8000-000000000001', '/join?invitation=abc', '/'])(
  '%s is gone on to as it is',
  (to) => {
    expect(wayOn(to)).toBe(to);
  },
);

// What browsers make of an address: WHATWG URL Standard, "basic URL parser" (tabs, line ends, backslashes).
test.each([
  null,
  '',
  '//other.example',
  '/\t/other.example',
  '/\n/other.example',
  '/\t//other.example',
  '\t//other.example',
  '/\\other.example',
  '\\\\other.example',
  '/%5Cother.example',
  'https://other.example/walk',
  'https:other.example',
  'javascript:alert(1)',
  'data:text/html,x',
  '/walk/../../other',
  '/api/sign-out',
  '/nowhere',
  'walk@other.example',
  '//here.invalid@other.example/walk',
])('%j leads to the first page', (to) => {
  expect(wayOn(to)).toBe('/');
});

test('what is left of an address that tries to leave stays within', () => {
  expect(new URL(wayOn('/walk?to=//other.example'), 'https://own.example').origin).toBe(
    'https://own.example',
  );
});
