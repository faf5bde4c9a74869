import type { Fitted, JobFacts } from '@elder-cog/contract';
import { fittedIn } from '@elder-cog/derive';
import { WorkshopError } from '../errors.ts';
import { acceptances } from './acceptances.ts';
import { assemblies } from './assemblies.ts';
import { builds } from './builds.ts';
import { contacts } from './contacts.ts';
import { features } from './features.ts';
import { inspections } from './inspections.ts';
import { jobs } from './jobs.ts';
import { limits } from './limits.ts';
import { lookAlikes } from './lookAlikes.ts';
import { matchedSets } from './matchedSets.ts';
import type { Db } from './open.ts';
import { openItems } from './openItems.ts';
import { parts } from './parts.ts';
import { photos } from './photos.ts';
import { readings } from './readings.ts';
import { shafts } from './shafts.ts';
import { slots } from './slots.ts';
import { specs } from './specs.ts';
import { stations } from './stations.ts';
import { strip } from './strip.ts';
import { withdrawals } from './withdrawals.ts';

/** Everything kept of one job, as facts. */
export function jobFacts(db: Db, jobId: string): JobFacts {
  const job = jobs.byId(db, jobId);
  if (!job) throw new WorkshopError('notFound', 'That machine is not on the shelf.');
  return {
    job,
    assemblies: assemblies.ofJob(db, jobId),
    shafts: shafts.ofJob(db, jobId),
    parts: parts.ofJob(db, jobId),
    features: features.ofJob(db, jobId),
    contacts: contacts.ofJob(db, jobId),
    slots: slots.ofJob(db, jobId),
    stations: stations.ofJob(db, jobId),
    limits: limits.ofJob(db, jobId),
    builds: builds.ofJob(db, jobId),
    readings: readings.ofJob(db, jobId),
    withdrawals: withdrawals.ofJob(db, jobId),
    specs: specs.ofJob(db, jobId),
    strip: strip.ofJob(db, jobId),
    inspections: inspections.ofJob(db, jobId),
    acceptances: acceptances.ofJob(db, jobId),
    photos: photos.ofJob(db, jobId),
    lookAlikes: lookAlikes.ofJob(db, jobId),
    matchedSets: matchedSets.ofJob(db, jobId),
    openItems: openItems.ofJob(db, jobId),
  };
}

export const allFacts = (db: Db): JobFacts[] => jobs.all(db).map((job) => jobFacts(db, job.id));

/**
 * Leaves sitting in the current builds of open jobs.
 *
 * @param known the facts of one job that have been read already
 */
export const allFitted = (db: Db, known?: JobFacts): Fitted[] =>
  jobs
    .all(db)
    .filter((job) => job.archivedAt === null)
    .flatMap((job) => fittedIn(job.id === known?.job.id ? known : jobFacts(db, job.id)));
