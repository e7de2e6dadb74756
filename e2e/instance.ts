import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { join } from 'node:path';
import { portIsFree } from '../scripts/setup/processes.mjs';
import { root, testSettings } from '../scripts/setup/settings.mjs';

const { dist, ...all } = testSettings();

export interface Instance {
  /** All that it printed. */
  readonly output: () => string;
  /** Kills the web server, as a crash would. */
  readonly killServer: () => void;
  /** Its exit code, once it ends by itself. */
  readonly ended: Promise<number | null>;
  /** Presses Ctrl-C and answers the exit code. */
  readonly interrupt: () => Promise<number | null>;
}

function collect(child: ChildProcess): () => string {
  let output = '';
  const take = (chunk: Buffer) => {
    output += chunk.toString();
  };
  child.stdout?.on('data', take);
  child.stderr?.on('data', take);
  return () => output;
}

const exitOf = (child: ChildProcess) =>
  new Promise<number | null>((done) => child.once('close', (code) => done(code)));

/** Instances of the application on ports and data of their own, beside whatever else runs. */
export function instancesOn(name: 'restart' | 'crash' | 'disk') {
  const settings = all[name];
  const origin = `http://127.0.0.1:${settings.port}`;
  const running = new Set<ChildProcess>();

  /** Runs `npm start`'s script, or that of `npm run serve`. */
  const spawnScript = (script: 'start' | 'serve', env: Record<string, string>): ChildProcess =>
    spawn(process.execPath, [join(root, `scripts/${script}.mjs`)], {
      cwd: root,
      env: {
        ...process.env,
        FAIRPLUG_PORT: String(settings.port),
        FAIRPLUG_DATABASE_PORT: String(settings.databasePort),
        FAIRPLUG_DATA: settings.data,
        FAIRPLUG_DIST: dist,
        ...env,
      },
    });

  return {
    settings,
    origin,

    /** Stops what a test that failed has left running. */
    stopInstances: async (): Promise<void> => {
      await Promise.all(
        [...running].map((child) => {
          const exited = exitOf(child);
          child.kill('SIGINT');
          return exited;
        }),
      );
    },

    /** What a start that fails prints, and its exit code. */
    failedStart: async (env: Record<string, string> = {}, script: 'start' | 'serve' = 'start') => {
      const child = spawnScript(script, env);
      const output = collect(child);
      return { code: await exitOf(child), output: output() };
    },

    /** Starts and waits for the printed address. */
    startInstance: async (
      env: Record<string, string> = {},
      script: 'start' | 'serve' = 'start',
    ): Promise<Instance> => {
      const child = spawnScript(script, env);
      const output = collect(child);
      const exited = exitOf(child);
      let hasExited = false;
      running.add(child);
      void exited.then(() => {
        hasExited = true;
        running.delete(child);
      });
      while (!output().includes(env.FAIRPLUG_ORIGIN ?? origin)) {
        if (hasExited) throw new Error(`start ended:\n${output()}`);
        await new Promise((done) => setTimeout(done, 100));
      }
      return {
        output,
        ended: exited,
        killServer: () => {
          const children = execFileSync('pgrep', ['-P', String(child.pid)], { encoding: 'utf8' });
          for (const pid of children.trim().split('\n')) process.kill(Number(pid), 'SIGKILL');
        },
        interrupt: () => {
          child.kill('SIGINT');
          return exited;
        },
      };
    },

    /** True when nothing listens on these ports any more. */
    allStopped: async (): Promise<boolean> =>
      (await portIsFree(settings.port)) && (await portIsFree(settings.databasePort)),
  };
}
