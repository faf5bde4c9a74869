import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { FILE_VERSION, jobsIn, workshopFile as workshopSchema, type JobFacts, type WorkshopFile } from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import Papa from 'papaparse';
import { createApp, importFile, jobFile, jobFacts, memoryWorkshop, openDb, readBare, readFile, workshopFile, zipped, type Db } from '../index.ts';
import { Evening } from '../attack/evening.ts';
import { everyFact } from '../store/facts.ts';
import { lots } from '../store/lots.ts';
import { OLD_FILES } from '../../../contract/src/oldFiles.fixture.ts';

const at = '2026-11-01T00:00:00.000Z';
const bytesOf = (name: string): Uint8Array => readFileSync(new URL(`../../../${name}`, import.meta.url));
const DEMO: WorkshopFile = workshopSchema.parse(JSON.parse(Buffer.from(bytesOf('demo/workshop.json')).toString()));
const demoId = DEMO.jobs[0]?.job.id ?? '';
const asBytes = (value: unknown): Uint8Array => strToU8(typeof value === 'string' ? value : JSON.stringify(value, null, 1));

const filled = (): Db => {
  const db = openDb(':memory:');
  importFile(db, DEMO);
  return db;
};
const refusal = (run: () => unknown): { message: string; line?: number; field?: string } => {
  try {
    run();
    return { message: 'nothing refused' };
  } catch (error) {
    const { message, more } = error as { message: string; more: { line?: number; field?: string } };
    return { message, ...more };
  }
};

describe('a job sent away and brought in', () => {
  it('is the same job, with the same answers, in another workshop', async () => {
    const home = filled();
    const away = openDb(':memory:');
    importFile(away, (await readFile(zipped(jobFile(home, demoId, at), null))).file);
    expect(jobFacts(away, demoId)).toEqual(jobFacts(home, demoId));
    expect(derive(jobFacts(away, demoId))).toEqual(derive(jobFacts(home, demoId)));
    expect(jobFile(away, demoId, at)).toEqual(jobFile(home, demoId, at));
  });
  it('whatever was done to it: shafts put together by hand, what goes in their places, leaves that were measured', async () => {
    const done = new Set<string>();
    for (let seed = 1; seed <= 3; seed++) {
      const home = openDb(':memory:');
      const evening = new Evening(home, 9000 + seed);
      for (let n = 0; n < 220; n++) {
        const change = evening.some();
        if (!change) continue;
        try {
          evening.send(change, 'a77ac000-0000-4000-8000-00000000aaaa');
          done.add(change.kind);
        } catch {
          // it was changed or taken out before: nothing was written
        }
      }
      const away = openDb(':memory:');
      importFile(away, (await readFile(zipped(workshopFile(home, at), null))).file);
      for (const { job } of everyFact(home)) {
        expect({ seed, facts: jobFacts(away, job.id) }).toEqual({ seed, facts: jobFacts(home, job.id) });
        expect(derive(jobFacts(away, job.id))).toEqual(derive(jobFacts(home, job.id)));
      }
      expect(lots.all(away)).toEqual(lots.all(home));
    }
    expect([...done]).toEqual(expect.arrayContaining(['shaft.edit', 'place.wants', 'build.add']));
  });
  it('takes with it the leaves that are in it, and no more', () => {
    const { lots } = jobFile(filled(), demoId, at);
    expect(lots.length).toBeGreaterThan(0);
    expect(lots.reduce((n, l) => n + l.owned, 0)).toBeLessThan(DEMO.lots.reduce((n, l) => n + l.owned, 0));
  });
  it('is a zip other programs open, with a place for photos', () => {
    const files = unzipSync(zipped(jobFile(filled(), demoId, at), null));
    expect(Object.keys(files).sort()).toEqual(['job.json', 'photos/']);
    expect(JSON.parse(Buffer.from(files['job.json'] ?? []).toString())).toMatchObject({ format: 'elder-cog/job', version: FILE_VERSION });
  });
  it('comes in bare as well, or as a copy beside itself under ids of its own', () => {
    const db = filled();
    const bare = readBare(asBytes(jobFile(db, demoId, at)));
    expect(refusal(() => importFile(db, bare)).message).toMatch(/on the shelf already/);
    const { jobs } = importFile(db, bare, { copy: true });
    expect(jobs[0]).toMatchObject({ machine: 'Snow tractor (copy)' });
    const marks = (id: string): string[] => derive(jobFacts(db, id)).shafts.map((s) => s.mark);
    expect(marks(jobs[0]?.id ?? '')).toEqual(marks(demoId));
  });
});

describe('a whole workshop in a file', () => {
  it('comes back the same, journal and all', async () => {
    const home = filled();
    const away = openDb(':memory:');
    const file = workshopFile(home, at);
    importFile(away, (await readFile(zipped(file, null))).file);
    const back = workshopFile(away, at);
    expect([back.jobs, back.lots]).toEqual([file.jobs, file.lots]);
    expect(back.journal.slice(0, file.journal.length)).toEqual(file.journal);
    expect(back.journal.slice(file.journal.length).map((e) => e.kind)).toEqual(['import']);
  });
  it('of the first version is read for ever', () => {
    const file = readBare(bytesOf('contract/fixtures/workshop-v1.json'));
    const db = openDb(':memory:');
    importFile(db, file);
    const facts = jobFacts(db, demoId);
    expect(facts).toMatchObject({ specs: [], limits: facts.limits.map(() => ({ saidAt: '', working: '', specId: null })) });
    expect(derive(facts).shafts.map((s) => s.mark)).toEqual(derive(jobFacts(filled(), demoId)).shafts.map((s) => s.mark));
  });
  it.each(OLD_FILES)('of every version since is kept as a fixture and read: %s', (name) => {
    const file = readBare(bytesOf(`contract/fixtures/${name}`));
    const brought = importFile(openDb(':memory:'), file).jobs.map((j) => j.id);
    expect(brought.length).toBeGreaterThan(0);
    expect(brought).toEqual(jobsIn(file).map(({ job }) => job.id));
  });
});

describe('a file that will not do is refused with where and what', () => {
  const broken = (change: (file: WorkshopFile) => void): Uint8Array => {
    const file = structuredClone(DEMO);
    change(file);
    return asBytes(file);
  };
  const job = (file: WorkshopFile): JobFacts => file.jobs[0] as JobFacts;
  const lineOf = (bytes: Uint8Array, text: string): number =>
    Buffer.from(bytes)
      .toString()
      .split('\n')
      .findIndex((l) => l.includes(text)) + 1;

  it('a reading of a station that is not there, by line and field', () => {
    const nobody = '11111111-1111-4111-8111-111111111111';
    const bytes = broken((f) => ((job(f).readings[2] as { stationId: string }).stationId = nobody));
    const refused = refusal(() => readBare(bytes));
    expect(refused).toMatchObject({ field: 'jobs[0].readings[2].stationId', line: lineOf(bytes, nobody) });
    expect(refused.message).toMatch(/found 11111111.*there should be the id of a station in this file.*Nothing was brought in/);
  });
  it.each([
    [
      'a number where words should be',
      (f: WorkshopFile): unknown => ((job(f).job as { machine: unknown }).machine = 7),
      'jobs[0].job.machine',
      /found 7; there should be words in quotes/,
    ],
    [
      'a field left out',
      (f: WorkshopFile): unknown => delete (job(f).limits[0] as { written?: string }).written,
      'jobs[0].limits[0].written',
      /found missing; there should be words/,
    ],
    [
      'half a nanometre',
      (f: WorkshopFile): unknown => ((f.lots[0] as { thickness: number }).thickness = 0.5),
      'lots[0].thickness',
      /there should be a whole number/,
    ],
    [
      'limits the wrong way round',
      (f: WorkshopFile): unknown => ((job(f).limits[0] as { min: number }).min = 9_000_000),
      'jobs[0].limits[0].min',
      /no more than 203200/,
    ],
    [
      'a source unheard of',
      (f: WorkshopFile): unknown => ((job(f).limits[0] as { source: string }).source = 'dream'),
      'jobs[0].limits[0].source',
      /manual or drawing or as_found/,
    ],
    [
      'an id used twice',
      (f: WorkshopFile): unknown => ((job(f).readings[1] as { id: string }).id = job(f).readings[0]?.id ?? ''),
      'jobs[0].readings[1].id',
      /an id used once/,
    ],
    [
      'a build that comes round to itself',
      (f: WorkshopFile): unknown => ((job(f).builds[0] as { parentId: string | null }).parentId = job(f).builds[0]?.id ?? ''),
      'jobs[0].builds[0].parentId',
      /comes round to itself/,
    ],
    [
      'a time that is none',
      (f: WorkshopFile): unknown => ((job(f).readings[0] as { takenAt: string }).takenAt = 'yesterday'),
      'jobs[0].readings[0].takenAt',
      /a time such as 2026/,
    ],
  ] as const)('%s', (_, change, field, says) => {
    const refused = refusal(() => readBare(broken(change)));
    expect(refused.field).toBe(field);
    expect(refused.message).toMatch(says);
    expect(refused.line).toBeGreaterThan(1);
  });
  it.each([
    ['nothing at all', new Uint8Array(), /empty/],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0xff, 0xfe, 0, 0]), /not a text file: it begins “·PNG/],
    ['JSON cut short', asBytes('{\n "format": "elder-cog/job",\n "version": 2'), /Line 3: this is not JSON/],
    ['somebody else’s JSON', asBytes('{ "hello": 1 }'), /not an export of Elder Cog/],
    ['a list', asBytes('[1]'), /not an export of Elder Cog/],
    ['a newer version', asBytes('{ "format": "elder-cog/job", "version": 99 }'), /made by a newer Elder Cog/],
    ['a zip cut short', zipSync({ 'job.json': strToU8('{}') }).slice(0, 40), /damaged zip/],
    ['a zip of something else', zipSync({ 'notes.txt': strToU8('hello') }), /no job.json or workshop.json/],
  ])('%s', async (_, bytes, says) => expect(await readFile(bytes).then(String, (error: Error) => error.message)).toMatch(says));

  /** One thing in the file changed, taken away, doubled, or swapped for something else's value. */
  const mutate = (file: unknown, where: number, how: number, other: unknown): unknown => {
    const places: [object, string][] = [];
    const walk = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      for (const key of Object.keys(value)) {
        places.push([value, key]);
        walk((value as Record<string, unknown>)[key]);
      }
    };
    walk(file);
    const [parent, key] = places[where % places.length] as [Record<string, unknown>, string];
    const now = parent[key];
    if (how === 0) Reflect.deleteProperty(parent, key);
    else if (how === 1) parent[key] = other;
    else if (how === 2 && Array.isArray(now)) now.push(...structuredClone(now as unknown[]));
    else if (how === 3 && typeof now === 'string') parent[key] = `${now}x`;
    else if (how === 4 && typeof now === 'number') parent[key] = -now * 1.5;
    else {
      const [from, name] = places[(where * 7919) % places.length] as [Record<string, unknown>, string];
      parent[key] = structuredClone(from[name]);
    }
    return file;
  };
  it('a thousand mutated files are refused with a sentence and change nothing, or are sound and come back the same', () => {
    const home = jobFile(filled(), demoId, at);
    const db = filled();
    const before = db.serialize();
    let [refused, sound] = [0, 0];
    fc.assert(
      fc.property(
        fc.nat(1_000_000),
        fc.nat(5),
        fc.oneof(fc.string({ maxLength: 12 }), fc.integer(), fc.constant(null), fc.boolean(), fc.constant([])),
        (where, how, other) => {
          const bytes = asBytes(mutate(structuredClone(home), where, how, other));
          let file;
          try {
            file = readBare(bytes);
          } catch (error) {
            expect((error as { code?: string }).code).toBe('badFile');
            expect((error as Error).message).toMatch(/^[A-Z].{20,400}[.”]$/s);
            refused += 1;
            return;
          }
          sound += 1;
          const away = openDb(':memory:');
          try {
            importFile(away, file);
          } catch (error) {
            expect((error as { code?: string }).code).toMatch(/^(badFile|alreadyHere)$/);
            expect(away.prepare('SELECT count(*) AS n FROM job').get()).toEqual({ n: 0 });
            away.close();
            return;
          }
          if (file.format === 'elder-cog/job') expect(jobFacts(away, file.job.job.id)).toEqual(inStoredOrder(file.job));
          away.close();
        },
      ),
      { numRuns: 1_000 },
    );
    expect(refused).toBeGreaterThan(100);
    expect(sound).toBeGreaterThan(50);
    expect(() => importFile(db, readBare(asBytes(home)))).toThrow(/on the shelf already/);
    expect(db.serialize().equals(before)).toBe(true);
  });
});

/** Facts in the order the store gives them back. */
function inStoredOrder(facts: JobFacts): JobFacts {
  const by = <Row>(rows: readonly Row[], key: (row: Row) => string): Row[] =>
    [...rows].sort((a, b) => (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0));
  const place = (n: number): string => String(n).padStart(9, '0');
  return {
    ...facts,
    specs: by(facts.specs, (r) => place(r.position)),
  };
}

describe('files over the wire', () => {
  it('out and in, with errors that name line and field', async () => {
    const app = createApp({ workshop: memoryWorkshop(filled()) });
    const sent = await app.inject(`/api/jobs/${demoId}/file`);
    expect([sent.statusCode, sent.headers['content-type'], sent.headers['content-disposition']]).toEqual([
      200,
      'application/zip',
      'attachment; filename="snow-tractor-1957.eldercog.zip"',
    ]);
    const post = (payload: Buffer, query = '') =>
      app.inject({ method: 'POST', url: `/api/files${query}`, headers: { 'content-type': 'application/octet-stream' }, payload });
    expect((await post(sent.rawPayload)).json()).toMatchObject({ error: { code: 'alreadyHere' } });
    const copied = await post(sent.rawPayload, '?copy=yes&who=A.%20B.');
    expect(copied.json()).toMatchObject({ jobs: [{ machine: 'Snow tractor (copy)' }], leaves: 0 });
    const bad = await post(Buffer.from(asBytes({ ...DEMO, lots: 7 })));
    expect([bad.statusCode, bad.json()]).toMatchObject([400, { error: { code: 'badFile', field: 'lots', found: '7', wanted: 'a list' } }]);
    expect((await app.inject({ method: 'POST', url: '/api/files' })).json()).toMatchObject({ error: { code: 'badFile' } });
    expect((await app.inject('/api/workshop/file')).headers['content-disposition']).toMatch(/workshop-\d{4}-\d\d-\d\d\.eldercog\.zip/);
    await app.close();
  });
  it('readings for a spreadsheet: as entered, and in both systems', async () => {
    const app = createApp({ workshop: memoryWorkshop(filled()) });
    const { payload } = await app.inject(`/api/jobs/${demoId}/readings.csv`);
    // read back by a general-purpose CSV library
    const { data, errors } = Papa.parse<Record<string, string>>(payload.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(DEMO.jobs[0]?.readings.length ?? 0);
    expect(data.find((r) => r.entry === '41>69')).toMatchObject({
      station: 'Input shaft float',
      thou: '28.000',
      mm: '0.7112',
      kind: 'reading',
      build: '0',
    });
    await app.close();
  });
});
