import { backupReply, restoreReply, workshopReply } from '@elder-cog/contract';
import { z } from 'zod';
import { hasPasscode, ownAddresses } from '../door.ts';
import { journalDisagrees } from '../store/agree.ts';
import { jobs } from '../store/jobs.ts';
import { journal } from '../store/journal.ts';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

/** Where the data is, whether it is whole, and its backups. */
export function workshopRoutes(app: App, workshop: Workshop, lan: boolean): void {
  app.get('/api/workshop', { schema: { response: { 200: workshopReply } } }, () => ({
    folder: workshop.folder,
    recovered: [...workshop.recovered],
    jobs: jobs.all(workshop.db).length,
    entries: journal.lastSeq(workshop.db),
    backups: workshop.backups(),
    lan: { on: lan, addresses: lan ? ownAddresses() : [], hasPasscode: workshop.folder !== null && hasPasscode(workshop.folder) },
  }));
  app.post('/api/workshop/backups', { schema: { response: { 200: backupReply } } }, async () => ({ backup: await workshop.backUp(true) }));
  app.post(
    '/api/workshop/restore',
    { schema: { body: z.object({ name: z.string().regex(/^[\dTZ-]{20}$/) }), response: { 200: restoreReply } } },
    ({ body }) => ({
      setAside: workshop.restore(body.name),
    }),
  );
  app.get('/api/workshop/check', { schema: { response: { 200: z.object({ whole: z.boolean(), wrong: z.array(z.string()) }) } } }, () => {
    const integrity = workshop.db.pragma('integrity_check', { simple: true });
    const wrong = [...(integrity === 'ok' ? [] : ['The database’s own check finds it damaged.']), ...journalDisagrees(workshop.db)];
    return { whole: wrong.length === 0, wrong: wrong.slice(0, 20) };
  });
}
