import { journalReply } from '@elder-cog/contract';
import { journalWords, type JournalEffect } from '@elder-cog/derive';
import { z } from 'zod';
import type { jobFacts } from '../store/facts.ts';
import { journal } from '../store/journal.ts';
import { isObservation } from '../store/tables.ts';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

const PAGE = 200;

/** Everything that was ever done to a job, newest first. */
export function journalRoutes(app: App, workshop: Workshop): void {
  app.get(
    '/api/jobs/:id/journal',
    {
      schema: {
        params: z.object({ id: z.uuid() }),
        querystring: z.object({ before: z.coerce.number().int().positive().optional() }),
        response: { 200: journalReply },
      },
    },
    ({ params, query }) => {
      const facts = workshop.cache.facts(params.id);
      const rows = journal.ofJob(workshop.db, params.id, query.before ?? Number.MAX_SAFE_INTEGER, PAGE + 1);
      const undone = new Map(rows.flatMap((row) => (row.undoes === null ? [] : [[row.undoes, row] as const])));
      return {
        entries: rows.slice(0, PAGE).map((row) => {
          const effects = JSON.parse(row.effects) as JournalEffect[];
          const said = journalWords(row.kind, effects, facts);
          const taken = takenBack(effects, facts) ?? undoneBy(undone.get(row.seq));
          return {
            seq: row.seq,
            at: row.at,
            who: row.who,
            kind: row.kind,
            ...said,
            words: row.undid === null ? said.words : `Undone: ${row.undid}`,
            taken,
          };
        }),
        more: rows.length > PAGE,
      };
    },
  );
}

type Taken = { at: string; who: string; why: string } | null;

const undoneBy = (row: { at: string; who: string } | undefined): Taken => (row ? { at: row.at, who: row.who, why: 'undone' } : null);

/** An observation taken back since, with its reason. */
function takenBack(effects: readonly JournalEffect[], facts: ReturnType<typeof jobFacts>): Taken {
  const [first] = effects;
  if (!first || !isObservation(first.table)) return null;
  const withdrawals = facts.withdrawals.filter((w) => w.ofId === first.id && !facts.withdrawals.some((again) => again.ofId === w.id));
  const last = withdrawals.at(-1);
  return last ? { at: last.at, who: last.who, why: last.why } : null;
}
