import { z } from 'zod';
import { job, assembly, openItem } from './job.ts';
import { shaft, part, place, feature, contact } from './shaft.ts';
import { station } from './station.ts';
import { limit, spec } from './limits.ts';
import { build } from './builds.ts';
import { reading, withdrawal } from './readings.ts';
import { stripEntry } from './stripLog.ts';
import { inspection, acceptance, photo } from './looked.ts';
import { lookAlike, matchedSet } from './together.ts';

/** Everything of one job. */

export const jobFacts = z.object({
  job,
  assemblies: z.array(assembly),
  shafts: z.array(shaft),
  parts: z.array(part),
  places: z.array(place),
  features: z.array(feature),
  contacts: z.array(contact),
  stations: z.array(station),
  limits: z.array(limit),
  builds: z.array(build),
  readings: z.array(reading),
  withdrawals: z.array(withdrawal),
  specs: z.array(spec),
  strip: z.array(stripEntry),
  inspections: z.array(inspection),
  acceptances: z.array(acceptance),
  photos: z.array(photo),
  lookAlikes: z.array(lookAlike),
  matchedSets: z.array(matchedSet),
  openItems: z.array(openItem),
});

export type JobFacts = z.output<typeof jobFacts>;
