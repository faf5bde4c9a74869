import { parseArgs } from 'node:util';
import { WorkshopError } from './errors.ts';
import { holdWorkshop, type Workshop } from './workshop.ts';

/** Backing up and going back from the command line, with the server stopped. */
const { values, positionals } = parseArgs({ allowPositionals: true, options: { data: { type: 'string', default: 'data' }, to: { type: 'string' } } });
const [what, from] = positionals;

let workshop: Workshop | null = null;
try {
  workshop = holdWorkshop(values.data);
  for (const sentence of workshop.recovered) console.log(sentence);
  if (what === 'backup' && values.to !== undefined) {
    const { jobs, entries } = await workshop.backUpTo(values.to);
    console.log(`Backed up in ${values.to}, which stands by itself: ${jobs} machines, ${entries} entries.`);
  } else if (what === 'backup') {
    const made = await workshop.backUp(true);
    console.log(`Backed up as ${made?.name ?? '?'}: ${made?.jobs ?? 0} machines, ${made?.entries ?? 0} entries.`);
  } else if (from === undefined) {
    const backups = workshop.backups();
    console.log(backups.length === 0 ? 'There are no backups yet.' : 'Say which, as npm run restore -- NAME:');
    for (const { name, jobs, entries } of backups) console.log(`  ${name}  ${jobs} machines, ${entries} entries`);
  } else {
    const aside = workshop.restore(from);
    console.log(`Gone back to ${from}.${aside === null ? '' : ` What was there is in ${aside}.`}`);
  }
} catch (error) {
  if (!(error instanceof WorkshopError)) throw error;
  console.error(error.message);
  process.exitCode = 1;
} finally {
  workshop?.close();
}
