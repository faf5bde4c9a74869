// npm run mutate, or npm run mutate -- stack wear: the reckoning of the core changed a sign, a bound or a
// branch at a time, and the tests asked whether they notice. Run by hand: half an hour a folder, not in CI.
// Words of sentences are left as they are, and so are tables of data: a wrong figure there is a wrong source.
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parseArgs } from 'node:util';
import { commonTokens } from '@stryker-mutator/api/plugin';
import { createInjector } from 'typed-inject';
import { Stryker } from '@stryker-mutator/core';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { SAME_RESULT } from './sameResult.mjs';
import { install, root } from './setup.mjs';

const FOLDERS = ['stack', 'shim', 'reading', 'quantity', 'wear', 'fit'];
/** Typed data with its source at the top: nothing is reckoned in them. */
const TABLES = [
  'iso286Tables.ts',
  'drillSizes.ts',
  'wireGauge.ts',
  'specPage.fixture.ts',
  'featureKinds.ts',
  'looks.ts',
  'instruments.ts',
  'index.ts',
];
const LEFT_AS_THEY_ARE = ['StringLiteral'];
/** Mutants looked at in a folder: as many, or all where there are fewer. */
const MOST = 300;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { seed: { type: 'string', default: '1' }, all: { type: 'boolean', default: false } },
});
install();
const scores = [];
for (const folder of positionals.length > 0 ? positionals : FOLDERS) scores.push(await mutate(folder));
for (const { folder, noticed, of, percent } of scores)
  console.log(`${folder.padEnd(9)} ${String(noticed).padStart(4)} of ${String(of).padStart(4)} noticed  ${percent.toFixed(1)} %`);
process.exit(0);

async function mutate(folder) {
  const at = join(root, 'core/src', folder);
  const files = readdirSync(at).filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !TABLES.includes(name));
  const mutants = await mutantsOf(files.map((name) => join(at, name)));
  const picked = values.all ? mutants : pick(mutants, MOST, Number(values.seed));
  const results = await new Stryker({
    mutate: picked.map(inRange),
    mutator: { excludedMutations: LEFT_AS_THEY_ARE },
    testRunner: 'jest',
    testRunnerNodeArgs: ['--experimental-vm-modules'],
    coverageAnalysis: 'perTest',
    concurrency: 2,
    reporters: ['clear-text', 'progress-append-only', 'json'],
    jsonReporter: { fileName: `.cache/mutants/${folder}.json` },
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: false },
    tempDirName: '.cache/stryker',
    ignorePatterns: ['*', '!core/**', '!bench/**', '!jest.config.mjs', '!package.json'],
    allowEmpty: false,
    jest: {
      config: {
        testEnvironment: 'node',
        roots: [`<rootDir>/core/src/${folder}`],
        testMatch: ['**/*.test.ts'],
        // compared with a solver or a library ten thousand times over: too slow to run for every mutant
        testPathIgnorePatterns: ['reference\\.test\\.ts$'],
        extensionsToTreatAsEsm: ['.ts'],
        transform: { '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' } }] },
      },
      enableFindRelatedTests: false,
    },
  }).runMutationTest();
  const counted = results.filter((mutant) => mutant.status !== 'Ignored' && mutant.status !== 'CompileError' && !isSame(mutant));
  const noticed = counted.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  return { folder, noticed, of: counted.length, percent: (100 * noticed) / counted.length };
}

/** Whether it was looked at and changes no result. */
function isSame({ status, fileName, location: { start, end }, replacement }) {
  if (status !== 'Survived' || start.line !== end.line) return false;
  const line = readFileSync(fileName, 'utf8').split('\n')[start.line - 1] ?? '';
  const was = line.slice(start.column - 1, end.column - 1);
  const known = SAME_RESULT.find(([file, before, after]) => fileName.endsWith(`/${file}`) && before === was && after === replacement);
  if (known) console.log(`changes no result: ${known[0]}:${start.line}  ${was}  →  ${replacement}  (${known[3]})`);
  return known !== undefined;
}

/** Every mutant there is, in the order of the files. */
async function mutantsOf(paths) {
  const quiet = Object.fromEntries(['debug', 'info', 'warn', 'error', 'trace', 'fatal', 'isDebugEnabled'].map((name) => [name, () => false]));
  const instrumenter = createInstrumenter(createInjector().provideValue(commonTokens.logger, quiet));
  const files = paths.map((name) => ({ name, content: readFileSync(name, 'utf8'), mutate: true }));
  const { mutants } = await instrumenter.instrument(files, { plugins: null, excludedMutations: LEFT_AS_THEY_ARE, ignorers: [], noHeader: false });
  return mutants.filter(({ mutatorName }) => !LEFT_AS_THEY_ARE.includes(mutatorName));
}

/** Takes `most` of the mutants by a seed. A range brings what lies inside it, so a block is taken only where its inside fits too. */
function pick(mutants, most, seed) {
  if (mutants.length <= most) return mutants;
  const chosen = new Set();
  for (const mutant of shuffled(mutants, seed)) {
    const brought = mutants.filter((other) => !chosen.has(other) && within(other, mutant));
    if (chosen.size + brought.length <= most) for (const other of brought) chosen.add(other);
    if (chosen.size === most) break;
  }
  return [...chosen];
}
function within(inner, outer) {
  const before = (a, b) => a.line < b.line || (a.line === b.line && a.column <= b.column);
  return inner.fileName === outer.fileName && before(outer.location.start, inner.location.start) && before(inner.location.end, outer.location.end);
}
function inRange({ fileName, location: { start, end } }) {
  return `${relative(root, fileName)}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;
}

/** Fisher–Yates over a small linear congruential generator (Numerical Recipes, from memory): the same seed, the same mutants. */
function shuffled(items, seed) {
  const out = [...items];
  let state = seed >>> 0;
  for (let i = out.length - 1; i > 0; i--) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const j = Math.floor((state / 2 ** 32) * (i + 1));
    [out[i], out[j]] = [out[j], out[i]];
  }
  return out;
}
