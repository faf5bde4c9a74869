import { describe, expect, it } from '@jest/globals';
import { newShaft, type Change, type Command, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import fc from 'fast-check';
import { allFacts, apply, openDb, type Db } from '../index.ts';

/** Any evening's commands, one after another, against one small workshop. */
type Step = { readonly do: 'limit' | 'read' | 'fit' | 'lots' | 'rename' | 'undo' | 'again'; readonly by: 0 | 1; readonly n: number };
const steps = fc.array(
  fc.record({
    do: fc.constantFrom<Step['do'][]>('limit', 'read', 'fit', 'lots', 'rename', 'undo', 'again'),
    by: fc.constantFrom<(0 | 1)[]>(0, 1),
    n: fc.integer({ min: 1, max: 40 }),
  }),
  { minLength: 1, maxLength: 25 },
);

class Evening {
  readonly db: Db = openDb(':memory:');
  private count = 0;
  private readonly clients = [this.id(), this.id(), this.id()] as const;
  private readonly ids: { job: string; assembly: string; gap: string; slot: string };
  private last: Command | null = null;
  acknowledged = 0;

  constructor() {
    const [job, assembly] = [this.id(), this.id()];
    const shaft = newShaft({
      assemblyId: assembly,
      name: 'Input shaft',
      template: 'taperPair',
      place: 'underCover',
      gasket: false,
      position: 0,
      newId: () => this.id(),
    });
    this.ids = { job, assembly, gap: shaft.stations[0]?.id ?? '', slot: shaft.places.find((p) => p.role === 'pack')?.id ?? '' };
    this.send({ kind: 'job.create', job: { id: job, machine: 'Machine', year: '', note: '', createdAt: this.at(), archivedAt: null } }, 2);
    this.send(
      { kind: 'assembly.create', assembly: { id: assembly, jobId: job, name: 'Box', kind: '', position: 0, mirrorOf: null, cameApart: false } },
      2,
    );
    this.send(shaft, 2);
  }

  private id(): string {
    this.count += 1;
    return `00000000-0000-4000-8000-${this.count.toString(16).padStart(12, '0')}`;
  }

  private at(): string {
    this.count += 1;
    return new Date(Date.UTC(2026, 0, 1, 0, 0, this.count)).toISOString();
  }

  /** Whether it was taken. */
  send(change: Change, by: 0 | 1 | 2): boolean {
    this.last = { commandId: this.id(), clientId: this.clients[by], who: by === 0 ? 'A' : 'B', at: this.at(), change };
    return this.apply(this.last);
  }

  private apply(command: Command): boolean {
    try {
      if (!apply(this.db, command).already) this.acknowledged += 1;
      return true;
    } catch (error) {
      expect((error as { code?: string }).code).toMatch(/^(stale|nothingToUndo|restsOnIt)$/);
      return false;
    }
  }

  take({ do: what, by, n }: Step): boolean {
    const { job, assembly, gap, slot } = this.ids;
    switch (what) {
      case 'limit':
        return this.send(
          {
            kind: 'limit.set',
            limit: {
              id: this.id(),
              stationId: gap,
              min: thou(n),
              max: thou(n + 3),
              written: `${n}-${n + 3} thou`,
              unit: 'thou',
              source: 'manual',
              pageOrWhom: '',
              saidAt: '',
              working: '',
              specId: null,
              inUse: true,
            },
          },
          by,
        );
      case 'read':
        return this.send(
          {
            kind: 'reading.keep',
            reading: {
              id: this.id(),
              stationId: gap,
              buildId: null,
              raw: withUnderstood({ method: 'dial', text: String(n), instrument: INSTRUMENTS.dialThou, restsOn: [] }),
              who: '',
              takenAt: this.at(),
              supersedes: null,
              keptAs: { value: thou(n), words: String(n) },
            },
          },
          by,
        );
      case 'fit':
        return this.send(
          {
            kind: 'build.add',
            build: {
              id: this.id(),
              assemblyId: assembly,
              parentId: null,
              stage: 'dry',
              at: this.at(),
              who: '',
              label: '',
              feel: [],
              note: '',
              fits: [
                {
                  id: this.id(),
                  placeId: slot,
                  leaves: [{ lotId: null, thickness: thou(n), written: String(n), unit: 'thou', count: 1 }],
                  state: null,
                },
              ],
            },
          },
          by,
        );
      case 'lots':
        return this.send(
          {
            kind: 'lots.add',
            lots: [{ id: this.id(), thickness: thou(n), written: String(n), unit: 'thou', owned: n, material: '', keptIn: '', note: '' }],
          },
          by,
        );
      case 'rename':
        // half of them with a revision that may be old
        return this.send(
          {
            kind: 'job.change',
            id: job,
            revision: n % 2 === 0 ? (allFacts(this.db)[0]?.job.revision ?? 1) : 1,
            machine: `Machine ${n}`,
            year: '',
            note: '',
            archivedAt: null,
          },
          by,
        );
      case 'undo':
        return this.send({ kind: 'undo' }, by);
      case 'again':
        return this.last === null || this.apply(this.last);
    }
  }

  /** What is shown of it: facts less what is withdrawn, without revisions. */
  shown(): unknown {
    return allFacts(this.db).map((facts) => {
      const undone = new Set(facts.withdrawals.filter((w) => w.ofKind === 'withdrawal').map((w) => w.ofId));
      const gone = new Set(facts.withdrawals.filter((w) => !undone.has(w.id)).map((w) => w.ofId));
      return {
        machine: facts.job.machine,
        inUse: facts.limits.filter((l) => l.inUse).map((l) => l.written),
        readings: facts.readings.filter((r) => !gone.has(r.id)).map((r) => r.id),
        builds: facts.builds.filter((b) => !gone.has(b.id)).map((b) => b.id),
        lots: this.db.prepare('SELECT id, owned FROM lot ORDER BY id').all(),
      };
    });
  }
}

describe('whatever is sent in an evening', () => {
  it('each acknowledged command is in the journal once, and the database is whole', () => {
    fc.assert(
      fc.property(steps, (evening) => {
        const workshop = new Evening();
        evening.forEach((step) => workshop.take(step));
        expect(workshop.db.prepare('SELECT count(*) AS n FROM journal').get()).toEqual({ n: workshop.acknowledged });
        expect(workshop.db.pragma('integrity_check', { simple: true })).toBe('ok');
        expect(workshop.db.pragma('foreign_key_check')).toEqual([]);
        workshop.db.close();
      }),
      { numRuns: 60 },
    );
  });
  it('no observation is ever gone: there are as many rows as were acknowledged', () => {
    fc.assert(
      fc.property(steps, (evening) => {
        const workshop = new Evening();
        const kept = evening.filter((step) => workshop.take(step) && (step.do === 'read' || step.do === 'fit')).length;
        const { n } = workshop.db.prepare('SELECT (SELECT count(*) FROM reading) + (SELECT count(*) FROM build) AS n').get() as { n: number };
        expect(n).toBe(kept);
        workshop.db.close();
      }),
      { numRuns: 60 },
    );
  });
  it('one command undone at once leaves what is shown as it was before it', () => {
    fc.assert(
      fc.property(
        steps,
        fc.constantFrom<Exclude<Step['do'], 'undo' | 'again'>[]>('limit', 'read', 'fit', 'lots', 'rename'),
        fc.integer({ min: 1, max: 40 }),
        (evening, what, n) => {
          const workshop = new Evening();
          evening.forEach((step) => workshop.take(step));
          const before = workshop.shown();
          if (workshop.take({ do: what, by: 0, n: n * 2 })) {
            expect(workshop.take({ do: 'undo', by: 0, n: 0 })).toBe(true);
            expect(workshop.shown()).toEqual(before);
          }
          workshop.db.close();
        },
      ),
      { numRuns: 80 },
    );
  });
  it('the same command sent again changes nothing at all', () => {
    fc.assert(
      fc.property(steps, (evening) => {
        const workshop = new Evening();
        evening.forEach((step) => workshop.take(step));
        const rows = (): string =>
          JSON.stringify(
            ['reading', 'build', 'limits', 'lot', 'job', 'withdrawal', 'journal'].map((table) => workshop.db.prepare(`SELECT * FROM ${table}`).all()),
          );
        const before = rows();
        workshop.take({ do: 'again', by: 0, n: 0 });
        expect(rows()).toBe(before);
        workshop.db.close();
      }),
      { numRuns: 40 },
    );
  });
});
