import { randomUUID } from 'node:crypto';
import { jobsIn, type AnyFile, type JobFacts } from '@elder-cog/contract';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { acceptances } from '../store/acceptances.ts';
import { assemblies } from '../store/assemblies.ts';
import { builds } from '../store/builds.ts';
import { contacts } from '../store/contacts.ts';
import { features } from '../store/features.ts';
import { strikeLost } from './photoFiles.ts';
import { inspections } from '../store/inspections.ts';
import { jobs } from '../store/jobs.ts';
import { journal } from '../store/journal.ts';
import { limits } from '../store/limits.ts';
import { lookAlikes } from '../store/lookAlikes.ts';
import { lots } from '../store/lots.ts';
import { matchedSets } from '../store/matchedSets.ts';
import type { Db } from '../store/open.ts';
import { openItems } from '../store/openItems.ts';
import { parts } from '../store/parts.ts';
import { photos } from '../store/photos.ts';
import { readings } from '../store/readings.ts';
import { shafts } from '../store/shafts.ts';
import { slots } from '../store/slots.ts';
import { specs } from '../store/specs.ts';
import { stations } from '../store/stations.ts';
import { strip } from '../store/strip.ts';
import { withdrawals } from '../store/withdrawals.ts';

interface ImportOptions {
  /** under new ids, beside what is here */
  readonly copy?: boolean;
  readonly who?: string;
  readonly at?: string;
  /** where the photos are: one that did not come is struck through */
  readonly data?: string | null;
}

export interface Imported {
  readonly jobs: readonly { readonly id: string; readonly machine: string }[];
  readonly leaves: number;
}

/**
 * Puts a file that has been read (see readFile) into the workshop: all of it or nothing. Leaves that are not here are added; those that
 * are stay as they are. A journal comes in where there is none yet.
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
    return db.transaction(() => {
      db.pragma('defer_foreign_keys = ON');
      const isFresh = journal.lastSeq(db) === 0;
      for (const { job } of facts) {
        if (jobs.byId(db, job.id))
          throw new WorkshopError(
            'alreadyHere',
            `${job.machine} is on the shelf already. Bring it in as a copy, or restore a backup to go back to an earlier day.`,
            {
              field: 'copy',
            },
          );
      }
      const added = file.lots.filter((lot) => lots.byId(db, lot.id) === null);
      for (const lot of added) lots.insert(db, lot);
      for (const each of facts) insertFacts(db, each);
      if (data !== null) strikeLost(db, data, { at, why: 'its file did not come with the machine', jobs: new Set(facts.map(({ job }) => job.id)) });
      if (file.format === 'elder-cog/workshop' && isFresh) for (const entry of file.journal) journal.restore(db, entry);
      for (const { job } of facts)
        journal.insert(db, {
          commandId: randomUUID(),
          clientId: '',
          who,
          at,
          kind: 'import',
          jobId: job.id,
          what: JSON.stringify({ format: file.format, version: file.version, madeAt: file.madeAt }),
          effects: '[]',
          undoes: null,
          undid: null,
        });
      return { jobs: facts.map(({ job }) => ({ id: job.id, machine: job.machine })), leaves: added.length };
    })();
  } catch (error) {
    throw inPlainWords(error);
  }
}

function insertFacts(db: Db, facts: JobFacts): void {
  jobs.insert(db, facts.job);
  for (const row of facts.assemblies) assemblies.insert(db, row);
  for (const row of facts.shafts) shafts.insert(db, row);
  for (const row of facts.parts) parts.insert(db, row);
  for (const row of facts.features) features.insert(db, row);
  for (const row of facts.contacts) contacts.insert(db, row);
  for (const row of facts.slots) slots.insert(db, row);
  for (const row of facts.stations) stations.insert(db, row);
  for (const row of facts.specs) specs.insert(db, row);
  for (const row of facts.limits) limits.insert(db, row);
  for (const row of facts.builds) builds.insert(db, row);
  for (const row of facts.readings) readings.insert(db, row);
  for (const row of facts.strip) strip.insert(db, row);
  for (const row of facts.inspections) inspections.insert(db, row);
  for (const row of facts.acceptances) acceptances.insert(db, row);
  for (const row of facts.photos) photos.insert(db, row);
  for (const row of facts.lookAlikes) lookAlikes.insert(db, row);
  for (const row of facts.matchedSets) matchedSets.insert(db, row);
  for (const row of facts.openItems) openItems.insert(db, row);
  for (const row of facts.withdrawals) withdrawals.insert(db, row);
}

const UUID = /"([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})"/gi;

/** The same job under ids of its own; leaves keep theirs, for they are the same leaves. */
function underNewIds(facts: JobFacts): JobFacts {
  const kept = new Set(facts.builds.flatMap((b) => b.fits.flatMap((f) => f.leaves.map((l) => l.lotId))));
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
