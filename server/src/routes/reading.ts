import { drawerReply, healthReply, jobReply, shelfReply } from '@elder-cog/contract';
import { summary } from '@elder-cog/derive';
import { z } from 'zod';
import type { App } from '../typedApp.ts';
import { allFacts, allFitted, jobFacts } from '../store/facts.ts';
import { lots } from '../store/lots.ts';
import type { Db } from '../store/open.ts';

/** What is on the Shelf, in a job and in the Drawer. */
export function readRoutes(app: App, db: Db): void {
  app.get('/api/health', { schema: { response: { 200: healthReply } } }, () => ({ ok: true as const, name: 'Elder Cog' as const }));
  app.get('/api/jobs', { schema: { response: { 200: shelfReply } } }, () => ({
    jobs: allFacts(db)
      .map(summary)
      .sort((a, b) => b.touchedAt.localeCompare(a.touchedAt)),
  }));
  app.get('/api/jobs/:id', { schema: { params: z.object({ id: z.uuid() }), response: { 200: jobReply } } }, ({ params }) => ({
    facts: jobFacts(db, params.id),
    lots: lots.all(db),
    fitted: allFitted(db),
  }));
  app.get('/api/drawer', { schema: { response: { 200: drawerReply } } }, () => ({ lots: lots.all(db), fitted: allFitted(db) }));
}
