// The real workshop: its data is in data/.
import { build, install, root, run, tsx } from './setup.mjs';
import { join } from 'node:path';

install();
build();
run('node', [...tsx, 'server/src/main.ts', '--data', join(root, 'data'), '--page', join(root, 'web', 'dist'), ...process.argv.slice(2)], {
  allowFailure: true,
});
