import type { JobFacts, JournalReply } from '@elder-cog/contract';
import { journalWords, type JournalEffect } from './journalWords.ts';
import { byTime } from './builds.ts';

export type RecordLine = Omit<JournalReply['entries'][number], 'seq'> & { readonly key: string };

/** Commands that only put down an observation: the observation itself stands in the facts, wherever it came from. */
const OBSERVED: ReadonlySet<string> = new Set([
  'reading.keep',
  'build.add',
  'withdraw',
  'strip.add',
  'inspect',
  'accept',
  'photo.add',
  'feel.add',
  'temporary.count',
  'station.close',
  'remove',
  'pass.add',
  'heating.add',
  'joint.pull',
  'rollers.count',
]);

/**
 * Everything of a job in time order, newest first: what was read, built and taken back, as the facts have it, and what was set and
 * changed, as the journal has it. A job brought in from a file has its readings and no journal of them.
 */
export function recordOf(facts: JobFacts, journal: JournalReply['entries']): RecordLine[] {
  const standing = (id: string): RecordLine['taken'] => {
    const taken = facts.withdrawals.filter((w) => w.ofId === id && !facts.withdrawals.some((again) => again.ofId === w.id)).at(-1);
    return taken ? { at: taken.at, who: taken.who, why: taken.why } : null;
  };
  const line = (table: JournalEffect['table'], kind: string, row: { readonly id: string; readonly who: string }, at: string): RecordLine => ({
    key: row.id,
    at,
    who: row.who,
    kind,
    ...journalWords(kind, [{ table, id: row.id, before: null, after: row as unknown as JournalEffect['after'] }], facts),
    taken: standing(row.id),
  });
  return [
    ...facts.readings.map((r) => line('reading', 'reading.keep', r, r.takenAt)),
    ...facts.builds.map((b) => line('build', 'build.add', b, b.at)),
    ...facts.strip.map((e) => line('strip', 'strip.add', e, e.at)),
    ...facts.inspections.map((i) => line('inspection', 'inspect', i, i.at)),
    ...facts.acceptances.map((a) => line('acceptance', 'accept', a, a.at)),
    ...facts.feels.map((f) => line('feel', 'feel.add', f, f.at)),
    ...facts.temporaries.map((t) => line('temporary', 'temporary.count', t, t.at)),
    ...facts.removals.map((r) => line('removal', 'remove', r, r.at)),
    ...facts.passes.map((p) => line('pass', 'pass.add', p, p.at)),
    ...facts.heatings.map((h) => line('heating', 'heating.add', h, h.at)),
    ...facts.pulls.map((p) => line('pull', 'joint.pull', p, p.at)),
    ...facts.rollerCounts.map((c) => line('rollerCount', 'rollers.count', c, c.at)),
    ...facts.closings.map((c) => line('closing', 'station.close', c, c.at)),
    ...facts.photos.map((p) => line('photo', 'photo.add', p, p.at)),
    ...facts.withdrawals.filter((w) => w.ofKind !== 'withdrawal').map((w) => line('withdrawal', 'withdraw', w, w.at)),
    ...journal.filter((e) => !OBSERVED.has(e.kind)).map(({ seq, ...entry }) => ({ ...entry, key: String(seq) })),
  ].sort((a, b) => byTime(b.at, a.at));
}
