import { runApplication } from './setup/application.mjs';
import { needBuild } from './setup/build.mjs';
import { runMain } from './setup/refusal.mjs';
import { startSettings } from './setup/settings.mjs';
import { needDebianPackages, needNode, needPackages } from './setup/toolchain.mjs';

await runMain(async () => {
  needNode();
  const settings = startSettings();
  await needPackages();
  await needDebianPackages();
  return runApplication(settings, { mode: 'start', beforeServing: () => needBuild(settings.dist) });
});
