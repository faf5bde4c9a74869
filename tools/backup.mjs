// A backup of the workshop's data, now: npm run backup [-- --data FOLDER] [--to FOLDER]. With --to, one whole folder that stands by itself.
import { parseArgs } from 'node:util';
import { install, root, run, tsx } from './setup.mjs';
import { join, resolve } from 'node:path';

const { values } = parseArgs({ options: { data: { type: 'string', default: join(root, 'data') }, to: { type: 'string' } } });
install();
process.exit(
  run('node', [...tsx, 'server/src/keep.ts', 'backup', '--data', values.data, ...(values.to === undefined ? [] : ['--to', resolve(values.to)])], {
    allowFailure: true,
  }),
);
