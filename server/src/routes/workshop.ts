import { backupReply, checkReply, doneReply, restoreReply, workshopReply } from '@elder-cog/contract';
import { shelved } from '../store/facts.ts';
import { z } from 'zod';
import { hasPasscode, ownAddresses } from '../door.ts';
import { journalDisagrees } from '../store/agree.ts';
import { journal } from '../store/journal.ts';
import { setBare } from '../store/open.ts';
import { WorkshopError } from '../errors.ts';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

const named = z.object({
  name: z
    .string()
    .max(40)
    .regex(/^[\dTZ-]{20,}$/),
});

/** Where the data is, whether it is whole, and its backups. */
export function workshopRoutes(app: App, workshop: Workshop, lan: boolean): void {
  app.get('/api/workshop', { schema: { response: { 200: workshopReply } } }, () => ({
    folder: workshop.folder,
    trouble: workshop.trouble,
    recovered: [...workshop.recovered],
    jobs: workshop.trouble === null ? shelved(workshop.db).length : 0,
    entries: workshop.trouble === null ? journal.lastSeq(workshop.db) : 0,
    backups: workshop.backups(),
    lan: { on: lan, addresses: lan ? ownAddresses() : [], hasPasscode: workshop.folder !== null && hasPasscode(workshop.folder) },
  }));
  app.post('/api/workshop/bare', { schema: { body: z.object({ bare: z.enum(['thou', 'mm']) }), response: { 200: doneReply } } }, ({ body }) => {
    setBare(workshop.db, body.bare);
    return { ok: true as const };
  });
  app.post('/api/workshop/backups', { schema: { response: { 200: backupReply } } }, async () => ({ backup: await workshop.backUp(true) }));
  app.post('/api/workshop/restore', { schema: { body: named, response: { 200: restoreReply } } }, ({ body }) => ({
    setAside: workshop.restore(body.name),
  }));
  app.post('/api/workshop/backups/delete', { schema: { body: named, response: { 200: doneReply } } }, ({ body }) => {
    workshop.deleteBackup(body.name);
    return { ok: true as const };
  });
  // the data was not opened: what to do with it is said here
  app.post('/api/workshop/new', { schema: { response: { 200: restoreReply } } }, () => {
    if (workshop.trouble === null)
      throw new WorkshopError('badRequest', 'There is a workshop here, and it is open: a new one is begun with npm start -- --new.');
    return { setAside: workshop.startNew() };
  });
  app.post('/api/workshop/go-on', { schema: { response: { 200: doneReply } } }, () => {
    workshop.goOn();
    return { ok: true as const };
  });
  app.get('/api/workshop/check', { schema: { response: { 200: checkReply } } }, () => {
    const integrity = workshop.db.pragma('integrity_check', { simple: true });
    const wrong = [...(integrity === 'ok' ? [] : ['The database’s own check finds it damaged.']), ...journalDisagrees(workshop.db)];
    return { whole: wrong.length === 0, wrong: wrong.slice(0, 20) };
  });
}
