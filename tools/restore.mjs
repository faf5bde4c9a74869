// Goes back to a backup: npm run restore -- BACKUP [--data FOLDER]. BACKUP is a name `npm run restore` lists, or the path of a backup's folder.
import { parseArgs } from 'node:util';
import { install, root, run, tsx } from './setup.mjs';
import { join } from 'node:path';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { data: { type: 'string', default: join(root, 'data') } } });
install();
process.exit(run('node', [...tsx, 'server/src/keep.ts', 'restore', '--data', values.data, ...positionals], { allowFailure: true }));
