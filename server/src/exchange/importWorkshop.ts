import { workshopFile, type WorkshopFile } from '@elder-cog/contract';
import type { z } from 'zod';
import { assemblies } from '../store/assemblies.ts';
import { builds } from '../store/builds.ts';
import { contacts } from '../store/contacts.ts';
import { features } from '../store/features.ts';
import { jobs } from '../store/jobs.ts';
import { limits } from '../store/limits.ts';
import { lots } from '../store/lots.ts';
import type { Db } from '../store/open.ts';
import { parts } from '../store/parts.ts';
import { readings } from '../store/readings.ts';
import { shafts } from '../store/shafts.ts';
import { slots } from '../store/slots.ts';
import { stations } from '../store/stations.ts';
import { withdrawals } from '../store/withdrawals.ts';

/**
 * Puts a whole workshop file into an empty database: all of it or nothing.
 *
 * @throws ZodError naming what was found and what would be right
 */
export function importWorkshop(db: Db, input: z.input<typeof workshopFile>): WorkshopFile {
  const file = workshopFile.parse(input);
  db.transaction(() => {
    for (const lot of file.lots) lots.insert(db, lot);
    for (const facts of file.jobs) {
      jobs.insert(db, facts.job);
      for (const row of facts.assemblies) assemblies.insert(db, row);
      for (const row of facts.shafts) shafts.insert(db, row);
      for (const row of facts.parts) parts.insert(db, row);
      for (const row of facts.features) features.insert(db, row);
      for (const row of facts.contacts) contacts.insert(db, row);
      for (const row of facts.slots) slots.insert(db, row);
      for (const row of facts.stations) stations.insert(db, row);
      for (const row of facts.limits) limits.insert(db, row);
      for (const row of facts.builds) builds.insert(db, row);
      for (const row of facts.readings) readings.insert(db, row);
      for (const row of facts.withdrawals) withdrawals.insert(db, row);
    }
  })();
  return file;
}
