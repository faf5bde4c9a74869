// Runs a TypeScript file of the project after setting up: node tools/run.mjs bench/index.ts
import { build, install, run, tsx } from './setup.mjs';

install();
build();
process.exit(run('node', [...tsx, ...process.argv.slice(2)], { allowFailure: true }));
