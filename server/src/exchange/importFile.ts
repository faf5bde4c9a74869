import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { JOB_TABLES, jobsIn, rowsIn, type AnyFile, type JobFacts, type RowOf } from '@elder-cog/contract';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { jobs } from '../store/jobs.ts';
import { instruments } from '../store/instruments.ts';
import { journal } from '../store/journal.ts';
import { lots } from '../store/lots.ts';
import type { Db } from '../store/open.ts';
import { stocks } from '../store/stock.ts';
import { isObservation, type DescriptionTable } from '../store/tables.ts';
import { enter, Writer } from '../store/writer.ts';

export interface ImportOptions {
  /** under new ids, beside what is here */
  readonly copy?: boolean;
  readonly who?: string;
  readonly at?: string;
  /** where the photos are: one that did not come is struck through */
  readonly data?: string | null;
}

export interface Imported {
  /** each with where it stands in the journal */
  readonly jobs: readonly { readonly id: string; readonly machine: string; readonly seq: number; readonly commandId: string }[];
  readonly leaves: number;
}

/**
 * Puts a file that has been read (see readFile) into the workshop: all of it or nothing, by the same writer as every command. Leaves that
 * are not here are added; those that are stay as they are. A journal comes in where there is none yet.
 *
 * @throws WorkshopError `alreadyHere`, `diskFull`, `readOnly`
 */
export function importFile(
  db: Db,
  file: AnyFile,
  { copy = false, who = '', at = new Date().toISOString(), data = null }: ImportOptions = {},
): Imported {
  const facts = jobsIn(file).map((job) => (copy ? underNewIds(job) : job));
  try {
    return db
      .transaction(() => {
        db.pragma('defer_foreign_keys = ON');
        const isFresh = journal.lastSeq(db) === 0;
        facts.forEach(({ job }) => refuseDouble(db, job));
        const write = new Writer(db);
        const added = file.lots.filter((lot) => lots.byId(db, lot.id) === null);
        for (const lot of added) write.create('lot', lot);
        const tools = file.format === 'elder-cog/workshop' ? file.instruments : [];
        for (const tool of tools) if (instruments.byId(db, tool.id) === null) write.create('instrument', tool);
        const stock = file.format === 'elder-cog/workshop' ? file.stock : [];
        for (const each of stock) if (stocks.byId(db, each.id) === null) write.create('stock', each);
        for (const each of facts) putDown(write, each);
        if (file.format === 'elder-cog/workshop' && isFresh) for (const entry of file.journal) journal.restore(db, entry);
        const entry = { clientId: '', who, at, kind: 'import', effects: [] };
        const what = { format: file.format, version: file.version, madeAt: file.madeAt };
        const brought = facts.map(({ job }) => {
          const commandId = randomUUID();
          return { id: job.id, machine: job.machine, commandId, seq: enter(db, { ...entry, commandId, what, jobId: job.id }) };
        });
        if (data !== null) for (const each of facts) strikeLost(db, data, each, { who, at });
        return { jobs: brought, leaves: added.length };
      })
      .immediate();
  } catch (error) {
    throw inPlainWords(error);
  }
}

function refuseDouble(db: Db, job: JobFacts['job']): void {
  const here = jobs.byId(db, job.id);
  if (!here) return;
  throw new WorkshopError(
    'alreadyHere',
    here.gone === true
      ? `${job.machine} was here, and was taken back. Bring it in as a copy.`
      : `${job.machine} is on the shelf already. Bring it in as a copy, or restore a backup to go back to an earlier day.`,
    { field: 'copy' },
  );
}

function putDown(write: Writer, facts: JobFacts): void {
  write.create('job', facts.job);
  for (const table of JOB_TABLES)
    for (const row of rowsIn(facts, table))
      if (isObservation(table)) write.observe(table, row as RowOf[typeof table]);
      else write.create(table as DescriptionTable, row as never);
}

/** Photos of a job that stand, and whose file did not come with it, are withdrawn, with why; it stands in the journal. */
function strikeLost(db: Db, data: string, facts: JobFacts, { who, at }: { who: string; at: string }): void {
  const taken = new Set(facts.withdrawals.map((w) => w.ofId));
  const lost = facts.photos.filter((photo) => !taken.has(photo.id) && !existsSync(join(data, 'photos', photo.sha256)));
  if (lost.length === 0) return;
  const write = new Writer(db);
  const why = 'its file did not come with the machine';
  for (const photo of lost) write.observe('withdrawal', { id: randomUUID(), ofKind: 'photo', ofId: photo.id, who, at, why });
  const what = { photos: lost.map((photo) => photo.sha256) };
  enter(db, { commandId: randomUUID(), clientId: '', who, at, kind: 'withdraw', what, jobId: facts.job.id, effects: write.effects });
}

const UUID = /"([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})"/gi;

/** The same job under ids of its own; leaves keep theirs, for they are the same leaves. */
function underNewIds(facts: JobFacts): JobFacts {
  const kept = new Set([
    ...facts.makings.flatMap(({ lotId, beside }) => [lotId, ...beside.map((l) => l.lotId)]),
    ...facts.builds.flatMap((b) => b.fits.flatMap((f) => f.leaves.map((l) => l.lotId))),
  ]);
  const fresh = new Map<string, string>();
  const text = JSON.stringify(facts).replace(UUID, (whole, id: string) => {
    if (kept.has(id)) return whole;
    if (!fresh.has(id)) fresh.set(id, randomUUID());
    return `"${fresh.get(id) ?? id}"`;
  });
  const copied = JSON.parse(text) as JobFacts;
  return { ...copied, job: { ...copied.job, machine: `${copied.job.machine.slice(0, 110)} (copy)` } };
}

function inPlainWords(error: unknown): unknown {
  const code = (error as { code?: string }).code ?? '';
  if (code === 'SQLITE_CONSTRAINT_PRIMARYKEY' || code === 'SQLITE_CONSTRAINT_UNIQUE')
    return new WorkshopError(
      'alreadyHere',
      'Part of this file is here already under another machine. Bring it in as a copy. Nothing was brought in.',
      { field: 'copy' },
    );
  if (code.startsWith('SQLITE_CONSTRAINT'))
    return new WorkshopError('badFile', 'The facts in this file do not hold together. Nothing was brought in.');
  return diskTrouble(error) ?? error;
}
