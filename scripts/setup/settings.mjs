import { isIP } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Refusal } from './refusal.mjs';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
export const webFolder = join(root, 'web');

/** Fallbacks lie below 32768: from there on, any connection outwards may hold the port when it is asked for. */
function port(name, fallback) {
  const text = process.env[name];
  if (text === undefined || text === '') return fallback;
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1 && value <= 65535) return value;
  throw new Refusal(`${name} is "${text}"; expected a port number from 1 to 65535.`);
}

function amount(name, fallback) {
  const text = process.env[name];
  if (text === undefined || text === '') return fallback;
  const value = Number(text);
  if (Number.isFinite(value) && value >= 0) return value;
  throw new Refusal(`${name} is "${text}"; expected a number that is not negative.`);
}

/** Addresses and ranges (10.0.0.0/8), between commas. */
function addresses(name) {
  const named = (process.env[name] ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');
  for (const one of named) {
    const [address, bits = '0'] = one.split('/');
    const most = isIP(address) === 4 ? 32 : 128;
    if (isIP(address) === 0 || !/^\d+$/.test(bits) || Number(bits) > most)
      throw new Refusal(`${name} has "${one}"; expected addresses like 10.0.0.7 or ranges like 10.0.0.0/8.`);
  }
  return named;
}

/**
 * Where `npm start` listens and keeps its data, from the environment: on this machine alone, with a demo. The demo can be
 * left out to see the first run of an empty database.
 */
export function startSettings() {
  const listening = port('FAIRPLUG_PORT', 3000);
  return {
    port: listening,
    host: '127.0.0.1',
    origin: `http://127.0.0.1:${listening}`,
    databasePort: port('FAIRPLUG_DATABASE_PORT', 15432),
    data: resolve(root, process.env.FAIRPLUG_DATA || '.data/start'),
    /** Name of the build's folder inside web/. */
    dist: process.env.FAIRPLUG_DIST || '.next',
    isDemo: process.env.FAIRPLUG_DEMO !== 'off',
    log: 'error',
    /** Addresses, or ranges of them, of proxies that say whom they forward. */
    proxies: addresses('FAIRPLUG_PROXIES'),
    /** Bytes that stay free on the database's disk: below, nothing more is taken. */
    reserve: amount('FAIRPLUG_RESERVE_MB', 256) * 2 ** 20,
    /** Milliseconds that a database which does not start is tried again. */
    patience: amount('FAIRPLUG_DATABASE_PATIENCE', 120) * 1000,
  };
}

const shortestSecret = 32;

/** The same for `npm run serve`: no demo, a secret of its own, an address that people reach it under. */
export function serveSettings() {
  const { FAIRPLUG_SECRET: secret = '', FAIRPLUG_ORIGIN: origin = '', FAIRPLUG_HOST: host } = process.env;
  if (secret.length < shortestSecret)
    throw new Refusal(
      `FAIRPLUG_SECRET must be set to at least ${shortestSecret} characters that nobody else knows.\n` +
        'One is made by: openssl rand -base64 36',
    );
  if (!URL.canParse(origin) || new URL(origin).origin !== origin)
    throw new Refusal(
      `FAIRPLUG_ORIGIN is "${origin}"; expected the address that people reach it under, like https://plug.example.`,
    );
  return {
    ...startSettings(),
    data: resolve(root, process.env.FAIRPLUG_DATA || '.data/serve'),
    host: host || '127.0.0.1',
    origin,
    secret,
    isDemo: false,
    log: 'info',
  };
}

/** The databases of `npm test`, apart from everything that `npm start` uses. */
export function testSettings() {
  return {
    unit: { databasePort: port('FAIRPLUG_UNIT_DATABASE_PORT', 15441), data: join(root, '.data/unit') },
    backup: {
      databasePort: port('FAIRPLUG_BACKUP_DATABASE_PORT', 15444),
      data: join(root, '.data/backup'),
    },
    e2e: {
      port: port('FAIRPLUG_E2E_PORT', 3100),
      databasePort: port('FAIRPLUG_E2E_DATABASE_PORT', 15442),
      data: join(root, '.data/e2e'),
    },
    restart: {
      port: port('FAIRPLUG_RESTART_PORT', 3101),
      databasePort: port('FAIRPLUG_RESTART_DATABASE_PORT', 15443),
      data: join(root, '.data/restart'),
    },
    crash: {
      port: port('FAIRPLUG_CRASH_PORT', 3102),
      databasePort: port('FAIRPLUG_CRASH_DATABASE_PORT', 15445),
      data: join(root, '.data/crash'),
    },
    disk: {
      port: port('FAIRPLUG_DISK_PORT', 3103),
      databasePort: port('FAIRPLUG_DISK_DATABASE_PORT', 15446),
      data: join(root, '.data/disk'),
    },
    dist: '.next-test',
  };
}
