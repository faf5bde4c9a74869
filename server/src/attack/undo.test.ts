import { describe, expect, it } from '@jest/globals';
import { JobCache, jobFacts, journalDisagrees, openDb } from '../index.ts';
import { shelved } from '../store/facts.ts';
import { Evening, KINDS, newId, standing } from './evening.ts';
import { times } from './times.ts';

/** Sequences of up to so many commands of every kind. */
const SEQUENCES = times(6, 100);
const LONGEST = 200;

const codeOf = (error: unknown): string => (error as { code?: string }).code ?? String(error);

describe('undo, again and again', () => {
  it(`takes ${SEQUENCES} random evenings of up to ${LONGEST} commands back to an empty book, and each step to what stood before it`, () => {
    const done = new Map<string, number>();
    for (let seed = 1; seed <= SEQUENCES; seed++) {
      const db = openDb(':memory:');
      const evening = new Evening(db, seed);
      const clients = [newId(), newId()] as const;
      const stood: { before: string[]; by: string }[] = [];
      const undoLast = (): void => {
        const last = stood.pop();
        if (!last) return;
        evening.send({ kind: 'undo' }, last.by);
        expect({ seed, stands: standing(db) }).toEqual({ seed, stands: last.before });
      };
      const wanted = 25 + evening.chance.whole(LONGEST - 24);
      for (let tries = 0; stood.length < wanted && tries < wanted * 6; tries++) {
        if (stood.length > 0 && evening.chance.next() < 0.08) {
          undoLast();
          continue;
        }
        const missing = KINDS.filter((kind) => !done.has(kind));
        // every kind is to have had its turn, however many kinds there come to be
        const change = missing.length > 0 && evening.chance.next() < 0.3 ? evening.some(missing) : evening.some();
        if (!change) continue;
        const before = standing(db);
        const by = evening.chance.of(clients);
        try {
          evening.send(change, by);
        } catch (error) {
          // what was taken out, or taken back, is no longer there to be changed
          expect({ seed, kind: change.kind, code: codeOf(error) }).toEqual({
            seed,
            kind: change.kind,
            code: expect.stringMatching(/^(notFound|unknownParent)$/),
          });
          continue;
        }
        done.set(change.kind, (done.get(change.kind) ?? 0) + 1);
        stood.push({ before, by });
      }
      while (stood.length > 0) undoLast();
      expect(standing(db)).toEqual([]);
      for (const client of clients) expect(() => evening.send({ kind: 'undo' }, client)).toThrow(/nothing of yours left/);
      expect(journalDisagrees(db)).toEqual([]);
      expect(db.pragma('foreign_key_check')).toEqual([]);
      db.close();
    }
    expect([...done.keys()].sort()).toEqual([...KINDS].sort());
    console.log(`${SEQUENCES} evenings, ${[...done.values()].reduce((a, b) => a + b, 0)} commands of ${done.size} kinds, all undone`);
  }, 600_000);

  it('what a page and the Shelf keep in hand is what the database holds, after every command and every undo', () => {
    for (let seed = 1; seed <= times(2, 20); seed++) {
      const db = openDb(':memory:');
      const evening = new Evening(db, 5000 + seed);
      const cache = new JobCache(db);
      const client = newId();
      for (let n = 0; n < 120; n++) {
        try {
          const change = evening.chance.next() < 0.25 ? ({ kind: 'undo' } as const) : evening.some();
          if (change) evening.send(change, client);
        } catch {
          // refused: nothing was written
        }
        for (const job of shelved(db)) expect({ seed, n, facts: cache.facts(job.id) }).toEqual({ seed, n, facts: jobFacts(db, job.id) });
      }
      db.close();
    }
  }, 300_000);
});
