import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { type FullConfig, request } from '@playwright/test';

/** Where the session of the demo's owner is kept for all tests. */
export const signedIn = 'test-results/signed-in.json';

/** Opens the demo once; every test begins signed in. */
export default async function setUp({ projects }: FullConfig): Promise<void> {
  const baseURL = projects[0]?.use.baseURL ?? '';
  const context = await request.newContext({ baseURL });
  const answer = await context.post('/api/demo');
  if (!answer.ok()) throw new Error(`the demo did not open: ${answer.status()} ${await answer.text()}`);
  mkdirSync(dirname(signedIn), { recursive: true });
  await context.storageState({ path: signedIn });
  await context.dispose();
}
