import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { workshopFile, type Change, type Command, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { importFile, journalDisagrees, openWorkshop, readBare } from './index.ts';
import { times } from './attack/times.ts';
import { bundledServer, startServer } from './testing.ts';

/** Kills of the server with nothing said, in the middle of writing. */
const KILLS = times(50, 100);

const here = dirname(fileURLToPath(import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'elder-cog-crash-'));
const DEMO = workshopFile.parse(readBare(readFileSync(join(here, '..', '..', 'demo', 'workshop.json'))));
const stationId = DEMO.jobs[0]?.stations[0]?.id ?? '';

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const CLIENT = newId();
const at = '2026-11-01T12:00:00.000Z';

const keep = (): Command => {
  const change: Change = {
    kind: 'reading.keep',
    reading: {
      id: newId(),
      stationId,
      buildId: null,
      raw: withUnderstood({ method: 'dial', text: '88>12', instrument: INSTRUMENTS.dialThou, restsOn: [] }),
      who: '',
      takenAt: at,
      supersedes: null,
      keptAs: { value: thou(24), words: '24.0 thou' },
    },
  };
  return { commandId: newId(), clientId: CLIENT, who: '', at, change };
};

const post = (url: string, command: Command): Promise<boolean> =>
  fetch(`${url}/api/commands`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(command) }).then(
    (response) => response.ok,
    () => false,
  );

let server: string;
beforeAll(async () => {
  server = await bundledServer('crash');
  const workshop = openWorkshop(folder);
  importFile(workshop.db, DEMO);
  workshop.close();
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the power goes in the middle of a burst of writes', () => {
  it(`${KILLS} times: every acknowledged command is there once, and nothing is half there`, async () => {
    const acknowledged = new Set<string>();
    const sent: Command[] = [];
    let recovered = 0;
    for (let kill = 0; kill < KILLS; kill++) {
      const { child, url, said } = await startServer(server, folder);
      if (/ended without being stopped[\s\S]*The record is whole[\s\S]*tables agree/.test(said())) recovered += 1;
      const ended = new Promise((resolve) => child.on('exit', resolve));
      let going = true;
      let kept = 0;
      const cutSoon = (): void => {
        // on a slow machine as on a fast one, some of each burst is acknowledged before the cut
        if (++kept === 1 + (kill % 16)) setTimeout(() => child.kill('SIGKILL'), (kill * 37) % 23);
      };
      const burst = Array.from({ length: 4 }, async () => {
        while (going) {
          const command = keep();
          sent.push(command);
          if (await post(url, command)) {
            acknowledged.add(command.commandId);
            cutSoon();
          } else going = false;
        }
      });
      await Promise.all([...burst, ended]);
    }
    const workshop = openWorkshop(folder);
    const rows = workshop.db.prepare<[], { id: string; n: number }>('SELECT command_id AS id, count(*) AS n FROM journal GROUP BY command_id').all();
    const there = new Map(rows.map((row) => [row.id, row.n]));
    expect(acknowledged.size).toBeGreaterThan(KILLS);
    expect([...acknowledged].filter((id) => there.get(id) !== 1)).toEqual([]);
    expect(recovered).toBe(KILLS - 1);
    expect(workshop.db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(journalDisagrees(workshop.db)).toEqual([]);
    const kept =
      workshop.db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM reading WHERE raw LIKE '%88>12%' AND kept_as LIKE '%24.0 thou%'`).get()?.n ??
      0;
    expect(kept).toBe(sent.filter((command) => there.has(command.commandId)).length);
    console.log(`${KILLS} kills: ${sent.length} sent, ${acknowledged.size} acknowledged, ${kept} kept (those in flight either whole or not at all)`);

    // what was cut off is sent again under its own id, twice over: each lands once
    workshop.close();
    const { child, url } = await startServer(server, folder);
    const cut = sent.filter((command) => !acknowledged.has(command.commandId));
    for (const command of [...cut, ...cut]) expect(await post(url, command)).toBe(true);
    child.kill('SIGTERM');
    await new Promise((resolve) => child.on('exit', resolve));
    const after = openWorkshop(folder);
    expect(after.recovered).toEqual([]);
    expect(after.db.prepare('SELECT count(DISTINCT command_id) AS n, count(*) AS m FROM journal').get()).toEqual({
      n: sent.length + 1,
      m: sent.length + 1,
    });
    after.close();
  }, 300_000);
});
