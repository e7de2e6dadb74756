import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { Refusal } from './refusal.mjs';

const streams = {
  show: ['ignore', 'inherit', 'inherit'],
  capture: ['ignore', 'pipe', 'pipe'],
  /** For a program that leaves a server behind: a pipe that the server inherits would never close. */
  discard: 'ignore',
};

/** Runs a program to its end. Answers its exit code and, where its output is captured, what it wrote. */
export function run(command, args, { cwd, env, output: kind = 'show' } = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: streams[kind],
    });
    let output = '';
    const collect = (chunk) => {
      output += chunk;
    };
    child.stdout?.on('data', collect);
    child.stderr?.on('data', collect);
    child.once('error', fail);
    child.once('close', (code, signal) => done({ code: signal === null ? code : 1, output }));
  });
}

/** The same, refusing with a message where the program fails. */
export async function mustRun(command, args, options, message) {
  const { code, output } = await run(command, args, options);
  if (code !== 0) throw new Refusal(output === '' ? message : `${message}\n\n${output.trim()}`);
  return output;
}

export function portIsFree(port) {
  return new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)));
  });
}

export async function needFreePort(port, variable, what) {
  if (await portIsFree(port)) return;
  throw new Refusal(
    `Port ${port}, meant for ${what}, is taken by another program.\n` +
      `Stop that program, or choose another port: ${variable}=${port + 10} npm start`,
  );
}

export function isAlive(pid) {
  // A signal to 0 would go to all of this group, one to NaN nowhere.
  if (!(pid > 0)) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}
