import { describe, expect, test } from 'vitest';
import { run } from './run.ts';

async function fairplug(...args: string[]) {
  let stdout = '';
  let stderr = '';
  const collect = (take: (text: string) => void) => ({ write: take });
  const status = await run(args, {
    stdout: collect((text) => {
      stdout += text;
    }),
    stderr: collect((text) => {
      stderr += text;
    }),
  });
  return { status, stdout, stderr };
}

describe('fairplug verdict', () => {
  test('one pattern answers one verdict, several an array in their order', async () => {
    expect(JSON.parse((await fairplug('verdict', 'hn-hg')).stdout)).toMatchObject({ readsAs: ['correct'] });
    const several = JSON.parse((await fairplug('verdict', 'hn', 'none')).stdout);
    expect(several.map((verdict: { signature: string }) => verdict.signature)).toEqual(['hn', 'none']);
  });

  test.each([[['verdict', 'hx']], [['verdict']], [['guess']], [[]]])(
    '%j exits 2 with nothing on stdout',
    async (args) => {
      const { status, stdout, stderr } = await fairplug(...args);
      expect(status).toBe(2);
      expect(stdout).toBe('');
      expect(stderr).toMatch(/^fairplug: /);
    },
  );
});
