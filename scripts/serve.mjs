import { runApplication } from './setup/application.mjs';
import { needBuild } from './setup/build.mjs';
import { runMain } from './setup/refusal.mjs';
import { serveSettings } from './setup/settings.mjs';
import { needDebianPackages, needNode, needPackages } from './setup/toolchain.mjs';

/** A start meant for real use; see docs/operating.md. */
await runMain(async () => {
  needNode();
  const settings = serveSettings();
  await needPackages();
  await needDebianPackages();
  return runApplication(settings, { mode: 'start', beforeServing: () => needBuild(settings.dist) });
});
