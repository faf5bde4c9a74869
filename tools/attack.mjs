// The attacks in full, by hand: npm run attack. A short run of each is in npm test.
import { install, run } from './setup.mjs';

install();
const tests = ['server/src/attack', 'server/src/crash', 'server/src/exchange/photos', 'derive/src/oddFacts'];
process.exit(
  run('node', ['--experimental-vm-modules', '--no-warnings', 'node_modules/jest/bin/jest.js', '--silent=false', ...tests], {
    env: { ATTACK: 'full' },
    allowFailure: true,
  }),
);
