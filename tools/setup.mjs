// What both commands do first: install what is missing, build what is out of date. Plain Node, because nothing is installed yet.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const stamp = join(root, 'node_modules', '.elder-cog-installed');

/** Runs a command in the project's folder, showing what it prints; ends the program with a sentence if it fails. */
export function run(command, args, { env = {}, allowFailure = false } = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  if ((error || status !== 0) && !allowFailure) {
    console.error(`\n${command} ${args.join(' ')} failed${error ? `: ${error.message}` : ''}.`);
    process.exit(status || 1);
  }
  return status ?? 1;
}

/** npm ci, once for each package-lock.json. Compiling SQLite takes about three minutes, the first time only. */
export function install() {
  if (Number(process.versions.node.split('.')[0]) < 20) {
    console.error(`Elder Cog needs Node.js 20 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing what is missing (SQLite is compiled: about three minutes, this once)…');
  run('npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, lock);
}

function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist' || entry.name.endsWith('.test.ts')) continue;
    const path = join(folder, entry.name);
    time = Math.max(time, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return time;
}

/** The page, built when any of its sources is newer than it. */
export function build() {
  const page = join(root, 'web', 'dist', 'index.html');
  const sources = ['core', 'contract', 'derive', 'web'].map((p) => newest(join(root, p)));
  if (existsSync(page) && statSync(page).mtimeMs > Math.max(...sources)) return;
  console.log('Building the page…');
  run('npm', ['run', 'build', '--silent', '--workspace', 'web']);
}

export const tsx = ['--import', 'tsx'];
