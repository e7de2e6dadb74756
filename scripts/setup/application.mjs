import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtPreparing, nextProgram, preparingProgram } from './build.mjs';
import { startCluster } from './cluster.mjs';
import { isAlive, mustRun, needFreePort } from './processes.mjs';
import { Refusal } from './refusal.mjs';
import { secretIn } from './secrets.mjs';
import { root, webFolder } from './settings.mjs';
import { watchCluster } from './watched-cluster.mjs';

/** Milliseconds that open requests have to end after Ctrl-C. */
const longestFarewell = 4000;

/** One start at a time per data folder. Answers a function that gives the claim back. */
function claimData({ data, port }) {
  mkdirSync(data, { recursive: true });
  const file = join(data, 'running');
  const [pid, otherPort] = existsSync(file) ? readFileSync(file, 'utf8').split(' ') : [];
  if (pid !== undefined && Number(pid) !== process.pid && isAlive(Number(pid)))
    throw new Refusal(`Fair Plug already runs on this data: http://127.0.0.1:${otherPort} (process ${pid}).`);
  writeFileSync(file, `${process.pid} ${port}`);
  return () => rmSync(file, { force: true });
}

const stateFileOf = ({ data }) => join(data, 'database-state.json');

async function answers(url) {
  try {
    return (await fetch(url)).ok;
  } catch {
    return false;
  }
}

/** In development next's own server, else ours around it. */
const serverProgram = (mode, { host, port }) =>
  mode === 'dev'
    ? [nextProgram, 'dev', '-H', host, '-p', String(port)]
    : [join(root, 'scripts/setup/web-server.mjs')];

/** Starts the web server; ours gets ready at once and listens when it is sent a message. */
function startServer(mode, settings, env) {
  const said = mode === 'dev' || settings.log !== 'error' ? 'inherit' : 'ignore';
  return spawn(process.execPath, serverProgram(mode, settings), {
    cwd: webFolder,
    env,
    stdio: ['ignore', said, 'inherit', ...(mode === 'dev' ? [] : ['ipc'])],
  });
}

/** Its exit code, once it has ended. */
const ending = (server) =>
  server.exitCode === null && server.signalCode === null
    ? new Promise((done) => server.once('close', (code) => done(code ?? 0)))
    : Promise.resolve(server.exitCode ?? 0);

/** Ready as the build has it; while it is developed, as it stands. */
const prepareDatabase = (mode, dist, env) =>
  mustRun(
    process.execPath,
    mode === 'dev' ? ['--import', 'tsx', preparingProgram] : [builtPreparing(dist)],
    { cwd: root, env, output: 'capture' },
    'The database could not be prepared.',
  );

/** What the server is told, beyond where its database is. */
function environment(settings, cluster, mode) {
  const { data, dist, port, host, origin, secret, isDemo, log } = settings;
  const applicationPassword = secretIn(data, 'application-password');
  const ownerUrl = cluster.url('fairplug');
  const applicationUrl = new URL(ownerUrl);
  applicationUrl.username = 'fairplug_application';
  applicationUrl.password = applicationPassword;
  return {
    ...process.env,
    DATABASE_URL: applicationUrl.href,
    FAIRPLUG_DIST: dist,
    FAIRPLUG_ORIGIN: origin,
    FAIRPLUG_OWN_ORIGIN: `http://127.0.0.1:${port}`,
    FAIRPLUG_SECRET: secret ?? secretIn(data, 'secret'),
    FAIRPLUG_OUTBOX: join(data, 'outbox'),
    FAIRPLUG_DEMO_PASSWORD: isDemo ? secretIn(data, 'demo-password') : '',
    FAIRPLUG_LOG: log,
    FAIRPLUG_HOST_LISTENING: host,
    FAIRPLUG_PORT_LISTENING: String(port),
    FAIRPLUG_PROXIES: settings.proxies.join(','),
    NODE_ENV: mode === 'dev' ? 'development' : 'production',
    FAIRPLUG_DATABASE_FOLDER: cluster.folder,
    FAIRPLUG_DATABASE_STATE: stateFileOf(settings),
    FAIRPLUG_RESERVE: String(settings.reserve),
    NEXT_TELEMETRY_DISABLED: '1',
    preparing: { FAIRPLUG_OWNER_URL: ownerUrl, FAIRPLUG_APPLICATION_PASSWORD: applicationPassword },
  };
}

/**
 * Starts database and server (`mode`: start or dev) and runs until a signal ends them or the
 * server stops by itself. `beforeServing` runs beside the database's start. Answers the exit code.
 */
export async function runApplication(settings, { mode, beforeServing = async () => {} }) {
  await needFreePort(settings.port, 'FAIRPLUG_PORT', 'the application');
  const release = claimData(settings);
  let asked = false;
  let server;
  const ask = () => {
    if (asked) return;
    asked = true;
    console.log('\nStopping …');
    server?.kill('SIGTERM');
    // A request that does not end must not keep the server from ending.
    setTimeout(() => server?.kill('SIGKILL'), longestFarewell).unref();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, ask);

  let cluster;
  let watch;
  let lost = null;
  try {
    const [started, served] = await Promise.allSettled([startCluster(settings), beforeServing()]);
    if (started.status === 'rejected') throw started.reason;
    cluster = started.value;
    if (served.status === 'rejected') throw served.reason;
    if (asked) return 0;
    const { preparing, ...env } = environment(settings, cluster, mode);
    if (mode === 'start') server = startServer(mode, settings, env);
    await prepareDatabase(mode, settings.dist, {
      ...env,
      ...preparing,
      FAIRPLUG_ADMIN_URL: cluster.url('postgres'),
    });
    if (asked) return 0;
    server ??= startServer(mode, settings, env);
    watch = watchCluster(cluster, {
      stateFile: stateFileOf(settings),
      patience: settings.patience,
      giveUp: (reason) => {
        lost = reason;
        server?.kill('SIGTERM');
      },
    });
    const ended = ending(server);
    if (server.connected) server.send('listen');
    let code = null;
    ended.then((value) => {
      code = value;
    });
    while (code === null && !asked && !(await answers(`${env.FAIRPLUG_OWN_ORIGIN}/api/health`)))
      await new Promise((done) => setTimeout(done, 150));
    if (code === null && !asked) console.log(`\nFair Plug: ${settings.origin}\nCtrl-C stops it.`);
    const exitCode = await ended;
    if (asked) return 0;
    if (lost !== null) throw new Refusal(`The database cannot be started again. ${lost}`);
    throw new Refusal(`The server stopped by itself (exit code ${exitCode}).`);
  } catch (error) {
    // A step cut short by Ctrl-C is no failure.
    if (asked) return 0;
    throw error;
  } finally {
    // Where the database could not be made ready, the server still waits to listen.
    if (server !== undefined) {
      server.kill('SIGTERM');
      await ending(server);
    }
    await watch?.end();
    await cluster?.stop();
    release();
  }
}
