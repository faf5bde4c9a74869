import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bringIn, createApp, openWorkshop as openFolder, type Db } from '@elder-cog/server';

/** Debian's Chromium, or whatever CHROMIUM names. */
export function chromiumPath(): string | null {
  return (
    [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
      (path) => path !== undefined && existsSync(path),
    ) ?? null
  );
}

export const LAUNCH = {
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--font-render-hinting=none',
  ],
} as const;

export interface Workshop {
  readonly url: string;
  readonly db: Db;
  readonly folder: string;
  readonly workshop: ReturnType<typeof openFolder>;
  stop(): Promise<void>;
}

/** A workshop of its own on a free port, in a temporary folder: empty, or filled from a workshop file, or from its zip with photos. */
export async function openWorkshop(file?: unknown): Promise<Workshop> {
  const folder = mkdtempSync(join(tmpdir(), 'elder-cog-'));
  const workshop = openFolder(folder);
  if (file !== undefined) await bringIn(workshop, file instanceof Uint8Array ? file : Buffer.from(JSON.stringify(file)));
  const app = createApp({ workshop, page: join(import.meta.dirname, '..', 'web', 'dist') });
  const url = await app.listen({ host: '127.0.0.1', port: 0 });
  return {
    url,
    get db() {
      return workshop.db;
    },
    folder,
    workshop,
    async stop() {
      await app.close();
      workshop.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
