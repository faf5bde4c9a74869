import { assemblies } from './assemblies.ts';
import { contacts } from './contacts.ts';
import { features } from './features.ts';
import { jobs } from './jobs.ts';
import { limits } from './limits.ts';
import { lookAlikes } from './lookAlikes.ts';
import { lots } from './lots.ts';
import { matchedSets } from './matchedSets.ts';
import { openItems } from './openItems.ts';
import { parts } from './parts.ts';
import { shafts } from './shafts.ts';
import { slots } from './slots.ts';
import { specs } from './specs.ts';
import { stations } from './stations.ts';

/** Descriptions: rows that change and can be written back. */
export const DESCRIPTIONS = {
  job: jobs,
  assembly: assemblies,
  shaft: shafts,
  part: parts,
  feature: features,
  contact: contacts,
  slot: slots,
  station: stations,
  limit: limits,
  spec: specs,
  lot: lots,
  lookAlike: lookAlikes,
  matchedSet: matchedSets,
  openItem: openItems,
} as const;
export type DescriptionTable = keyof typeof DESCRIPTIONS;
