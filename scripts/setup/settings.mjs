import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Refusal } from './refusal.mjs';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
export const webFolder = join(root, 'web');

function port(name, fallback) {
  const text = process.env[name];
  if (text === undefined || text === '') return fallback;
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1 && value <= 65535) return value;
  throw new Refusal(`${name} is "${text}"; expected a port number from 1 to 65535.`);
}

/** Where the application listens and keeps its data, from the environment. */
export function startSettings() {
  const data = resolve(root, process.env.FAIRPLUG_DATA || '.data/start');
  return {
    port: port('FAIRPLUG_PORT', 3000),
    databasePort: port('FAIRPLUG_DATABASE_PORT', 54321),
    data,
    /** Name of the build's folder inside web/. */
    dist: process.env.FAIRPLUG_DIST || '.next',
  };
}

/** The databases of `npm test`, apart from everything that `npm start` uses. */
export function testSettings() {
  return {
    unit: { databasePort: port('FAIRPLUG_UNIT_DATABASE_PORT', 54331), data: join(root, '.data/unit') },
    e2e: {
      port: port('FAIRPLUG_E2E_PORT', 3100),
      databasePort: port('FAIRPLUG_E2E_DATABASE_PORT', 54332),
      data: join(root, '.data/e2e'),
    },
    restart: {
      port: port('FAIRPLUG_RESTART_PORT', 3101),
      databasePort: port('FAIRPLUG_RESTART_DATABASE_PORT', 54333),
      data: join(root, '.data/restart'),
    },
    dist: '.next-test',
  };
}
