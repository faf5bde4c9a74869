import { patchFacts, type FeltDrag, type Fitted, type JobFacts, type JobSummary, type Repeatability, type RowEffect } from '@elder-cog/contract';
import { feltDrags, fittedIn, repeatabilities, repeatedIn, summary, type RepeatedReadings } from '@elder-cog/derive';
import { jobFacts, shelved } from './facts.ts';
import { journal } from './journal.ts';
import type { Db } from './open.ts';

interface Cached {
  seq: number;
  facts: JobFacts;
  summary: JobSummary | null;
  fitted: Fitted[] | null;
  repeated: RepeatedReadings[] | null;
  felt: FeltDrag[] | null;
}

/** More entries than this since a job was read, and it is read again. */
const MOST_ENTRIES = 500;

/**
 * What was read of each job and found of it, kept in memory for as long as nothing is written to it: the Shelf and the Drawer ask of every
 * job, and only those are looked at again that were changed. What is in it follows from the journal, and can be let go of at any time.
 */
export class JobCache {
  private readonly jobs = new Map<string, Cached>();
  private readonly db: Db;

  constructor(db: Db) {
    this.db = db;
  }

  /**
   * A job's facts as they are now.
   *
   * @throws WorkshopError `notFound`
   */
  facts(jobId: string): JobFacts {
    return this.entry(jobId).facts;
  }

  shelf(): JobSummary[] {
    return shelved(this.db).map((job) => {
      const entry = this.entry(job.id);
      entry.summary ??= summary(entry.facts);
      return entry.summary;
    });
  }

  /** Reads every job once while nothing else is asked for, so that the first to look at the Shelf does not wait for all of them. */
  async warm(): Promise<void> {
    for (const job of shelved(this.db)) {
      await new Promise((resolve) => setImmediate(resolve));
      if (!this.db.open) return;
      const entry = this.entry(job.id);
      entry.summary ??= summary(entry.facts);
      entry.fitted ??= fittedIn(entry.facts);
    }
  }

  /** Leaves sitting in the current builds of open jobs. */
  fitted(): Fitted[] {
    return shelved(this.db)
      .filter((job) => job.archivedAt === null)
      .flatMap((job) => {
        const entry = this.entry(job.id);
        entry.fitted ??= fittedIn(entry.facts);
        return entry.fitted;
      });
  }

  /** How well each instrument repeats, by everything that was read with it in any job. */
  repeatability(): Repeatability[] {
    return repeatabilities(
      shelved(this.db).map((job) => {
        const entry = this.entry(job.id);
        entry.repeated ??= repeatedIn(entry.facts);
        return entry.repeated;
      }),
    );
  }

  /** What was felt by hand beside the drags that were read, in every job. */
  hands(): FeltDrag[] {
    return shelved(this.db).flatMap((job) => {
      const entry = this.entry(job.id);
      entry.felt ??= feltDrags(entry.facts);
      return entry.felt;
    });
  }

  private entry(jobId: string): Cached {
    const seq = journal.lastOfJob(this.db, jobId);
    const known = this.jobs.get(jobId);
    if (known?.seq === seq) return known;
    const facts = (known && this.patched(known, jobId)) ?? jobFacts(this.db, jobId);
    const entry = { seq, facts, summary: null, fitted: null, repeated: null, felt: null };
    this.jobs.set(jobId, entry);
    return entry;
  }

  /** What is known of it, with what was written since; null where it had better be read again. */
  private patched({ facts, seq }: Cached, jobId: string): JobFacts | null {
    const rows = journal.since(this.db, jobId, seq, MOST_ENTRIES + 1);
    if (rows.length > MOST_ENTRIES || rows.some((row) => row.kind === 'import')) return null;
    const now = patchFacts(
      facts,
      rows.flatMap((row) => JSON.parse(row.effects) as RowEffect[]),
    );
    return now.job.gone === true ? null : now;
  }
}
