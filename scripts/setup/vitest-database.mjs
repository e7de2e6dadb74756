import { startCluster } from './cluster.mjs';
import { testSettings } from './settings.mjs';
import { needDebianPackages } from './toolchain.mjs';

/** Starts the unit tests' own PostgreSQL and hands them its address; stops it after the last of them. */
export async function setup(project) {
  await needDebianPackages(['postgresql', 'ngspice']);
  const cluster = await startCluster(testSettings().unit, 'FAIRPLUG_UNIT_DATABASE_PORT');
  project.provide('adminUrl', cluster.url('postgres'));
  return cluster.stop;
}
