import {
  changesReply,
  drawerReply,
  FILE_VERSION,
  healthReply,
  jobReply,
  shelfReply,
  undoableReply,
  type ChangesReply,
  type JobReply,
} from '@elder-cog/contract';
import { readable } from '@elder-cog/derive';
import { z } from 'zod';
import type { App } from '../typedApp.ts';
import { instruments } from '../store/instruments.ts';
import { journal } from '../store/journal.ts';
import { lots } from '../store/lots.ts';
import { stocks } from '../store/stock.ts';
import { undoable } from '../store/undo.ts';
import type { Workshop } from '../workshop.ts';

/** More than this at once, and a page had better ask for the whole job. */
const MOST_CHANGES = 200;
const params = z.object({ id: z.uuid() });

/** What is on the Shelf, in a job and in the Drawer. */
export function readRoutes(app: App, workshop: Workshop): void {
  app.get('/api/health', { config: { isOpen: true }, schema: { response: { 200: healthReply } } }, () => ({
    ok: true as const,
    name: 'Elder Cog' as const,
  }));
  app.get('/api/jobs', { schema: { response: { 200: shelfReply } } }, () => ({
    jobs: workshop.cache.shelf().sort((a, b) => b.touchedAt.localeCompare(a.touchedAt)),
  }));
  // the biggest answer there is, straight from the store that holds these very shapes: checking it again costs more than reading it
  const asItIs = { serializerCompiler: () => JSON.stringify };
  app.get('/api/jobs/:id', { ...asItIs, schema: { params, response: { 200: jobReply } } }, ({ params: { id } }): JobReply => {
    const { seq, last } = journal.now(workshop.db);
    const facts = workshop.cache.facts(id);
    return { shapes: FILE_VERSION, seq, last, sound: readable(facts).facts === facts, facts };
  });
  app.get(
    '/api/jobs/:id/changes',
    { ...asItIs, schema: { params, querystring: z.object({ after: z.string().max(60) }), response: { 200: changesReply } } },
    ({ params: { id }, query: { after } }): ChangesReply => {
      workshop.cache.facts(id);
      const known = journal.byCommand(workshop.db, after);
      const now = { shapes: FILE_VERSION, ...journal.now(workshop.db) } as const;
      const rows = known ? journal.since(workshop.db, id, known.seq, MOST_CHANGES + 1) : [];
      // what a page knows may be of another book: one that was gone back from
      if (!known || rows.length > MOST_CHANGES || rows.some((row) => row.kind === 'import')) return { ...now, whole: true, entries: [] };
      return {
        ...now,
        whole: false,
        entries: rows.map(({ seq, commandId, who, at, kind, undid, effects }) => ({
          seq,
          commandId,
          who,
          at,
          kind,
          undid,
          effects: JSON.parse(effects) as ChangesReply['entries'][number]['effects'],
        })),
      };
    },
  );
  app.get('/api/drawer', { schema: { response: { 200: drawerReply } } }, () => ({
    lots: lots.all(workshop.db).filter((lot) => lot.gone !== true),
    fitted: workshop.cache.fitted(),
    instruments: instruments.all(workshop.db).filter((tool) => tool.gone !== true),
    stock: stocks.all(workshop.db).filter((each) => each.gone !== true),
    repeatability: workshop.cache.repeatability(),
    hands: workshop.cache.hands(),
  }));
  app.get('/api/undo', { schema: { querystring: z.object({ client: z.uuid() }), response: { 200: undoableReply } } }, ({ query }) =>
    undoable(workshop.db, query.client),
  );
}
