// The made-up workshop: its data is in data/demo/, filled once from demo/workshop.eldercog.zip.
import { build, install, root, run, tsx } from './setup.mjs';
import { join } from 'node:path';

install();
build();
run(
  'node',
  [
    ...tsx,
    'server/src/main.ts',
    '--data',
    join(root, 'data', 'demo'),
    '--port',
    '4711',
    '--page',
    join(root, 'web', 'dist'),
    '--seed',
    join(root, 'demo', 'workshop.eldercog.zip'),
    ...process.argv.slice(2),
  ],
  { allowFailure: true },
);
