// A backup of the workshop's data, now: npm run backup [-- --data FOLDER]
import { parseArgs } from 'node:util';
import { install, root, run, tsx } from './setup.mjs';
import { join } from 'node:path';

const { values } = parseArgs({ options: { data: { type: 'string', default: join(root, 'data') } } });
install();
process.exit(run('node', [...tsx, 'server/src/keep.ts', 'backup', '--data', values.data], { allowFailure: true }));
