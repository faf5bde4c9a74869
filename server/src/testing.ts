import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const here = dirname(fileURLToPath(import.meta.url));

/** One file that runs by itself, of an entry and all it needs but what is compiled. */
export const bundled = (entry: string, outfile: string): Promise<unknown> =>
  build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    mainFields: ['module', 'main'],
    external: ['better-sqlite3', 'sharp'],
    banner: { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" },
    logLevel: 'error',
  });

/** The server as one file that runs by itself, for tests that kill it; returns its path. */
export async function bundledServer(name: string): Promise<string> {
  const bundle = join(here, '..', '..', 'node_modules', '.cache', `elder-cog-${name}`);
  // nothing of an earlier run stays among the migrations
  rmSync(bundle, { recursive: true, force: true });
  mkdirSync(bundle, { recursive: true });
  cpSync(join(here, 'store', 'migrations'), join(bundle, 'migrations'), { recursive: true });
  const outfile = join(bundle, 'main.mjs');
  await bundled(join(here, 'main.ts'), outfile);
  return outfile;
}

export interface Running {
  readonly child: ChildProcess;
  readonly url: string;
  readonly said: () => string;
}

/** Starts it on a free port over a data folder, and waits for the address it prints. */
export async function startServer(server: string, data: string): Promise<Running> {
  const child = spawn(process.execPath, [server, '--data', data, '--port', '0'], { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const found = /Elder Cog is at (http:\/\/\S+)/.exec(said);
      if (found?.[1]) resolve(found[1]);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', () => reject(new Error(`The server ended before it began: ${said}`)));
  });
  return { child, url, said: () => said };
}
