import type { JobFacts } from '@elder-cog/contract';
import { WorkshopError } from '../errors.ts';
import { jobs } from './jobs.ts';
import type { Db } from './open.ts';
import { rowsOfJob } from './tables.ts';

/**
 * Everything kept of one job, as facts.
 *
 * @throws WorkshopError `notFound` where it is not on the shelf
 */
export function jobFacts(db: Db, jobId: string): JobFacts {
  const job = jobs.byId(db, jobId);
  if (!job || job.gone === true) throw new WorkshopError('notFound', 'That machine is not on the shelf.');
  return { job, ...rowsOfJob(db, jobId) };
}

/** Machines on the shelf: those that were taken back are not. */
export const shelved = (db: Db): JobFacts['job'][] => jobs.all(db).filter((job) => job.gone !== true);

export const allFacts = (db: Db): JobFacts[] => shelved(db).map((job) => jobFacts(db, job.id));

/** Every machine there ever was, those that were taken back among them. */
export const everyFact = (db: Db): JobFacts[] => jobs.all(db).map((job) => ({ job, ...rowsOfJob(db, job.id) }));
