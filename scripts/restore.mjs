import { runArchive } from './setup/archive.mjs';
import { runMain } from './setup/refusal.mjs';

await runMain(() => runArchive('restore'));
