/**
 * Who may know whom, in one place. `npm run arrows` writes the lint rule from it; the lint step refuses a rule that does
 * not come from here.
 */

/** Rooms of the core from the ground up: a room knows those below its line, and none beside it. */
export const rooms = [
  ['physics'],
  ['faults', 'instruments'],
  ['circuit'],
  ['knowledge'],
  ['log', 'engine'],
  ['assessment'],
  ['findings'],
  ['report'],
  ['words'],
  ['exchange'],
];

/** Rooms within a room, each knowing those to its left. */
const within = { engine: ['model', 'evidence', 'search', 'answer'] };

/** What no room of the core may need. */
const impure = ['react', 'react-dom', 'next', 'next/*', '@mantine/*', 'kysely', 'pg', 'dexie', 'node:*'];

/** Who is above the assessment reads it: only the bench, which plays circuits and not houses, asks the engine itself. */
const engine = { room: 'engine', knownTo: 'assessment' };

/** Folders above the core, each with what it must not know, and why. */
const screens = ['@/data/**', '@/app/**', '@/features/**', 'kysely', 'pg', 'node:*'];

const above = [
  {
    folders: ['cli'],
    not: ['**/web/**', 'react', 'next', 'kysely', 'pg'],
    why: 'The command line knows the core alone.',
  },
  {
    folders: ['web/features', 'web/components', 'web/shell'],
    except: ['web/features/bench'],
    not: [...screens, `@fair-plug/core/${engine.room}`],
    why: 'Screens reach the server through web/local, and read the assessment; features do not know one another.',
    names: {
      '@mantine/hooks': {
        importNames: ['useCallbackRef'],
        message:
          'It takes over only after the screen is drawn: a press in between goes to the drawing before. useDrawn takes over with it.',
      },
    },
  },
  { folders: ['web/features/bench'], not: screens, why: 'Screens reach the server through web/local.' },
  {
    folders: ['web/local'],
    not: ['@/features/**', '@/components/**', '@/app/**', '@/data/**', `@fair-plug/core/${engine.room}`],
    why: 'What a browser keeps knows no screen and reads the assessment.',
  },
  {
    folders: ['web/contract'],
    not: [
      '@/features/**',
      '@/components/**',
      '@/local/**',
      '@/data/**',
      '@/app/**',
      'react',
      'next',
      'next/*',
    ],
    why: 'What server and browser agree on knows neither of them.',
  },
  {
    folders: ['web/data'],
    not: [
      `@fair-plug/core/${engine.room}`,
      '@/features/**',
      '@/components/**',
      '@/local/**',
      '@/app/**',
      'react',
      'next',
      'next/*',
    ],
    why: 'The database side knows nothing of screens.',
  },
];

const order = rooms.map((line) => line.join(' | ')).join(' ← ');

const forbids = (includes, patterns, paths) => ({
  includes,
  linter: {
    rules: {
      style: {
        noRestrictedImports: {
          level: 'error',
          options: { patterns, ...(paths === undefined ? {} : { paths }) },
        },
      },
    },
  },
});

function ofRoom(room, line, { folder = room, more = [] } = {}) {
  const knowsEngine = line <= rooms.findIndex((one) => one.includes(engine.knownTo));
  const unknown = [
    ...(knowsEngine ? [] : [engine.room]),
    ...rooms
      .slice(line)
      .flat()
      .filter((one) => one !== room),
  ];
  return forbids(
    [`core/${folder}/**`, '!core/**/*.test.ts'],
    [
      {
        group: ['@fair-plug/*', '**/web/**', '**/cli/**', '**/scripts/**'],
        message: 'Arrows run one way: web, cli → core; within core use relative paths.',
      },
      { group: impure, message: 'core is pure: no React, no Next, no database, no clock, no network.' },
      ...more,
      ...(unknown.length === 0
        ? []
        : [
            {
              group: unknown.flatMap((one) => [`../${one}/**`, `../../${one}/**`]),
              message: `Within core a room knows those to its left: ${order}.`,
            },
          ]),
    ],
  );
}

/** A room within a room: what it must not know of the outside, and of the rooms to its right. */
const ofInnerRooms = (room, line) =>
  (within[room] ?? []).map((inner, index, all) =>
    ofRoom(room, line, {
      folder: `${room}/${inner}`,
      more:
        all.slice(index + 1).length === 0
          ? []
          : [
              {
                group: all.slice(index + 1).map((one) => `../${one}/**`),
                message: `Within ${room} a room knows those to its left: ${all.join(' ← ')}.`,
              },
            ],
    }),
  );

/** The part of Biome's configuration that holds the arrows. */
export const arrows = {
  overrides: [
    ...rooms.flatMap((line, index) =>
      line.flatMap((room) => [ofRoom(room, index), ...ofInnerRooms(room, index)]),
    ),
    ...above.map(({ folders, except = [], not, why, names }) =>
      forbids(
        [...folders.map((folder) => `${folder}/**`), ...except.map((folder) => `!${folder}/**`)],
        [{ group: not, message: why }],
        names,
      ),
    ),
  ],
};
