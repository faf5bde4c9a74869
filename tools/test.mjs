// Everything that must hold: types, lint, import rules, Jest, Playwright. Ends with one plain line of totals.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { build, install, root, run } from './setup.mjs';

const noBrowser = process.argv.includes('--no-browser');
const CHROMIUM = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];
const hasChromium = () => CHROMIUM.some((path) => path && existsSync(path));

const hasPoppler = () => spawnSync('pdftoppm', ['-v']).error === undefined;

/** Packages of the system, where this may install any; whether what they bring is there then. */
function ensure(isThere, called, packages) {
  if (isThere()) return true;
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version']).status !== 0) return false;
  console.log(`Installing ${called} from the system’s packages…`);
  run('apt-get', ['update', '-qq'], { allowFailure: true });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
    allowFailure: true,
    env: { DEBIAN_FRONTEND: 'noninteractive' },
  });
  return isThere();
}

install();
if (!noBrowser && !ensure(hasChromium, 'headless Chromium', ['chromium', 'fonts-liberation'])) {
  console.error(
    'The tests drive a real browser and there is none: install Chromium (on Debian, apt-get install chromium), name one in CHROMIUM, or run npm test -- --no-browser.',
  );
  process.exit(1);
}

if (!ensure(hasPoppler, 'the tools that look at a PDF', ['poppler-utils']))
  console.log('No pdftoppm: the tests that measure a printed page are skipped (on Debian, apt-get install poppler-utils).');

rmSync(join(root, 'test-results'), { recursive: true, force: true });
mkdirSync(join(root, 'test-results'), { recursive: true });
const failures = [];
const step = (name, command, args, options) => {
  console.log(`\n— ${name}`);
  if (run(command, args, { ...options, allowFailure: true }) !== 0) failures.push(name);
};

for (const project of ['core', 'contract', 'derive', 'server', 'web', 'tsconfig.tools.json'])
  step(`types: ${project}`, 'npx', ['tsc', '-p', project]);
step('lint', 'npx', ['eslint', '.']);
step('import rules', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'contract', 'derive', 'server', 'web']);
step('Jest', 'node', [
  '--experimental-vm-modules',
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  '--json',
  '--outputFile=test-results/jest.json',
  '--silent=false',
]);
const total = { passed: 0, failed: 0, skipped: 0 };
const slow = [];
const jest = readResults('jest.json');
if (jest) {
  total.passed += jest.numPassedTests;
  total.failed += jest.numFailedTests;
  for (const file of jest.testResults) for (const t of file.assertionResults) slow.push({ ms: t.duration ?? 0, name: t.fullName });
}
if (noBrowser) console.log('\nSkipped: every test that drives a browser.');
else {
  build();
  step('Playwright', 'npx', ['playwright', 'test']);
  const played = readResults('playwright.json');
  if (played) {
    total.passed += played.stats.expected;
    total.failed += played.stats.unexpected + played.stats.flaky;
    total.skipped += played.stats.skipped;
    const walk = (suite) => {
      for (const spec of suite.specs ?? []) slow.push({ ms: spec.tests[0]?.results[0]?.duration ?? 0, name: spec.title });
      for (const inner of suite.suites ?? []) walk(inner);
    };
    played.suites.forEach(walk);
  }
}

function readResults(name) {
  const path = join(root, 'test-results', name);
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null;
}

console.log('\nThe slowest ten:');
for (const { ms, name } of slow.sort((a, b) => b.ms - a.ms).slice(0, 10)) console.log(`  ${(ms / 1000).toFixed(1)} s  ${name}`);
const ran = noBrowser ? jest : jest && total.passed + total.failed > jest.numTotalTests;
if (!ran) failures.push('not every runner ran');
if (failures.length > 0) console.log(`\nFailed: ${failures.join(', ')}`);
const countedFailures = failures.filter((f) => f !== 'Jest' && f !== 'Playwright').length + total.failed;
console.log(
  `\n${total.passed} passed, ${failures.length > 0 ? Math.max(1, countedFailures) : total.failed} failed${total.skipped > 0 ? `, ${total.skipped} skipped` : ''}`,
);
process.exit(failures.length > 0 || total.failed > 0 ? 1 : 0);
