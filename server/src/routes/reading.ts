import { drawerReply, FILE_VERSION, healthReply, jobReply, shelfReply, type JobReply } from '@elder-cog/contract';
import { summary } from '@elder-cog/derive';
import { z } from 'zod';
import type { App } from '../typedApp.ts';
import { allFacts, allFitted, jobFacts } from '../store/facts.ts';
import { lots } from '../store/lots.ts';
import type { Workshop } from '../workshop.ts';

/** What is on the Shelf, in a job and in the Drawer. */
export function readRoutes(app: App, workshop: Workshop): void {
  app.get('/api/health', { schema: { response: { 200: healthReply } } }, () => ({ ok: true as const, name: 'Elder Cog' as const }));
  app.get('/api/jobs', { schema: { response: { 200: shelfReply } } }, () => ({
    jobs: allFacts(workshop.db)
      .map(summary)
      .sort((a, b) => b.touchedAt.localeCompare(a.touchedAt)),
  }));
  // the biggest answer there is, straight from the store that holds these very shapes: checking it again costs more than reading it
  const asItIs = { serializerCompiler: () => JSON.stringify };
  app.get('/api/jobs/:id', { ...asItIs, schema: { params: z.object({ id: z.uuid() }), response: { 200: jobReply } } }, ({ params }): JobReply => {
    const facts = jobFacts(workshop.db, params.id);
    return { shapes: FILE_VERSION, facts, lots: lots.all(workshop.db), fitted: allFitted(workshop.db, facts) };
  });
  app.get('/api/drawer', { schema: { response: { 200: drawerReply } } }, () => ({ lots: lots.all(workshop.db), fitted: allFitted(workshop.db) }));
}
