import type { Fit, HeatingGo, JobFacts, Pass, Pull, Removal, RollerCount, RowEffect } from '@elder-cog/contract';
import { counted, describeLength } from '@elder-cog/core';
import { packWords, stateWords, takenWords, turnWords } from './builds.ts';
import { difference } from './fieldWords.ts';
import { roundsOf, roundWords } from './joints.ts';
import { slotsOf } from './slots.ts';

export type JournalEffect = RowEffect;

export interface JournalWords {
  readonly words: string;
  readonly from: string | null;
  readonly to: string | null;
}

const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const plain = (words: string): JournalWords => ({ words, from: null, to: null });

/** Where a limit comes from, as it is said. */
export const SOURCE_WORDS: Readonly<Record<string, string>> = {
  manual: 'manual',
  drawing: 'drawing',
  as_found: 'as found',
  other_side: 'other side',
  sister: 'sister machine',
  standard: 'standard',
  rule: 'rule of thumb',
  reckoned: 'reckoned',
  told: 'told',
};

/** What became of a name: taken away, or another; null where it is as it was. */
function renamed(effects: readonly JournalEffect[]): string | null {
  const [{ before, after } = { before: null, after: null }] = effects;
  if (after?.gone === true) return `Taken away: ${text(after.name)}`;
  return before && after && before.name !== after.name ? `${text(before.name)} is named ${text(after.name)}` : null;
}

/** What one command did, as it would be said across a bench. */
export function journalWords(kind: string, effects: readonly JournalEffect[], facts: JobFacts): JournalWords {
  const first = effects[0];
  const row = first?.after ?? first?.before ?? {};
  const stationName = (id: unknown): string => facts.stations.find((s) => s.id === id)?.name ?? 'a station that is gone';
  switch (kind) {
    case 'import':
      return plain('Brought in from a file');
    case 'upgrade':
      return plain('Brought over by a newer version of the program');
    case 'undo':
      return plain('Undone');
    case 'job.create':
    case 'job.begin':
      return plain(`New machine: ${text(row.machine)}`);
    case 'sweep':
      return plain('Photos put in order at the start');
    case 'assembly.create':
      return plain(`New box: ${text(row.name)}`);
    case 'shaft.create':
      return plain(`New shaft: ${text(row.name)}`);
    case 'stations.add':
      return plain(`New to be measured: ${effects.map((e) => text(e.after?.name)).join(', ')}`);
    case 'rows.add':
      return plain(
        `Brought in ${effects.filter((e) => e.table === 'station').length} rows and ${effects.filter((e) => e.table === 'reading').length} readings`,
      );
    case 'rows.takeOut':
      return plain(`Taken out of the book: ${effects.map((e) => text(e.before?.name)).join(', ')}`);
    case 'reading.keep':
      return readingWords(row, stationName);
    case 'build.add':
      return plain(`Build: ${buildWords(row, facts)}`);
    case 'feel.add':
      return plain(`It felt: ${text(row.word)}`);
    case 'temporary.count':
      return plain(countedWords(effects));
    case 'remove': {
      const removal = (effects.find((e) => e.table === 'removal')?.after ?? {}) as Partial<Removal>;
      return plain(`${stationName(removal.stationId)}: ${removedWords(removal)}`);
    }
    case 'stock.add':
    case 'stock.change':
      return { words: `Stock: ${text(row.material)} ${text(row.written)}`, ...difference(first) };
    case 'making.add':
      return plain(`To be made: ${text(row.name)}`);
    case 'making.change':
      return { words: row.gone === true ? `Taken away: ${text(row.name)}` : `To be made: ${text(row.name)}`, ...difference(first) };
    case 'making.finish':
      return plain(`Made: ${finishedWords(effects)}`);
    case 'pass.add':
      return plain(`${madeName(facts, row.makingId)}: ${passWords(row as Partial<Pass>)}`);
    case 'fitting.add':
      return plain(`To be fitted: ${text(row.name)}`);
    case 'fitting.change':
      return { words: row.gone === true ? `Taken away: ${text(row.name)}` : `To be fitted: ${text(row.name)}`, ...difference(first) };
    case 'heating.add':
      return plain(`${facts.fittings.find((f) => f.id === row.fittingId)?.name ?? 'a fit that is gone'}: ${heatingWords(row as Partial<HeatingGo>)}`);
    case 'joint.add':
      return plain(`New joint: ${text(effects.find((e) => e.table === 'joint')?.after?.name)}`);
    case 'joint.change':
      return { words: row.gone === true ? `Taken away: ${text(row.name)}` : `Joint: ${text(row.name)}`, ...difference(first) };
    case 'joint.pull':
      return plain(pulledWords(effects, facts));
    case 'rollers.add':
      return plain(`Loose rollers: ${text(row.name)}`);
    case 'part.change':
      return { words: `${text(row.name)}: number`, ...difference(first) };
    case 'rollers.change':
      return { words: row.gone === true ? `Taken away: ${text(row.name)}` : `Loose rollers: ${text(row.name)}`, ...difference(first) };
    case 'rollers.count':
      return plain(countedRollers(row as Partial<RollerCount>, facts));
    case 'station.close':
      return plain(`Done: ${stationName(row.stationId)}`);
    case 'shaft.change':
      return plain(renamed(effects) ?? `${text(row.name)}: moved`);
    case 'shaft.edit':
      return plain(editWords(effects));
    case 'assembly.change':
      return plain(renamed(effects) ?? `${text(row.name)}: ${row.cameApart === true ? 'came already apart' : 'stripped here'}`);
    case 'strip.add':
      return plain(`Came off: ${text(row.part)}${text(row.text) === '' ? '' : ` (${text(row.text)})`}`);
    case 'inspect':
      return plain(`Looked at ${text(row.part)}: ${text(row.decision)}${text(row.reason) === '' ? '' : `, because ${text(row.reason)}`}`);
    case 'accept':
      return plain(
        `${stationName(row.stationId)} ${row.kind === 'outside' ? 'accepted outside its limits' : 'left unmeasured'}: ${text(row.reason)}`,
      );
    case 'photo.add':
      return plain(`Photo${text(row.caption) === '' ? '' : `: ${text(row.caption)}`}`);
    case 'lookAlike.add':
      return plain(
        `Look-alikes: ${text((row.a as { name?: string } | undefined)?.name)} and ${text((row.b as { name?: string } | undefined)?.name)}`,
      );
    case 'matchedSet.add':
      return plain(`Matched set: ${(row.members as string[] | undefined)?.join(', ') ?? ''}`);
    case 'setting.add':
      return plain(`Judged together: ${text(row.name)}`);
    case 'setting.change':
      return plain(row.gone === true ? `Judged apart again: ${text(row.name)}` : `Judged together otherwise: ${text(row.name)}`);
    case 'openItem.raise':
      return plain(`Left open: ${text(row.text)}`);
    case 'openItem.change':
      return plain(
        `${row.state === 'closed' ? 'Closed' : row.state === 'accepted' ? 'Accepted' : 'Open again'}: ${text(row.text)}${text(row.reason) === '' ? '' : `, ${text(row.reason)}`}`,
      );
    case 'withdraw':
      return plain(`Took back ${withdrawnWords(row, facts)}`);
    case 'limit.set':
    case 'limit.use':
    case 'spec.copy':
      return limitWords(effects, stationName);
    case 'specs.add':
      return plain(
        `Spec sheet: ${effects.length} ${effects.length === 1 ? 'line' : 'lines'}, ${SOURCE_WORDS[text(row.source)] ?? ''} ${text(row.pageOrWhom)}`.trim(),
      );
    default:
      return { words: `Changed: ${nameOf(row)}`, ...difference(first) };
  }
}

/** "Cover bolts, hole 3 to 8 lbf·ft", "Cover bolts, holes 1 to 8 hand tight". */
function pulledWords(effects: readonly JournalEffect[], facts: JobFacts): string {
  const pulls = effects.flatMap(({ table, after }) => (table === 'pull' ? [after as unknown as Pull] : []));
  const joint = facts.joints.find(({ id }) => id === pulls[0]?.jointId);
  const round = joint && roundsOf(joint)[pulls[0]?.round ?? 0];
  const far = round ? roundWords(round) : '';
  const read = pulls.length === 1 && pulls[0]?.written ? `, read ${pulls[0].written}` : '';
  const holes = pulls.map(({ hole }) => hole).join(', ');
  return `${joint?.name ?? 'A joint that is gone'}, hole${pulls.length === 1 ? '' : 's'} ${holes} ${far === 'hand' ? 'hand tight' : `to ${far}`}${read}`;
}

/** "Layshaft, front: 22 rollers and 1 spacer counted in, the last snug". */
function countedRollers({ rollersId, way = 'out', count = 0, spacers = 0, snug = null }: Partial<RollerCount>, facts: JobFacts): string {
  const name = facts.rollers.find(({ id }) => id === rollersId)?.name ?? 'Rollers that are gone';
  const what = `${counted(count, 'One roller', 'rollers')}${spacers === 0 ? '' : ` and ${counted(spacers, 'one spacer', 'spacers')}`}`;
  return `${name}: ${what} counted ${way}${snug === null ? '' : snug ? ', the last snug' : ', the last loose'}`;
}

/** "In for the time being: 2 × rag in the case"; "out again" of what was counted in before. */
const countedWords = (effects: readonly JournalEffect[]): string =>
  (['In for the time being', 'Out again'] as const)
    .flatMap((said, i) => {
      const of = effects.filter((e) => (e.after?.outOf === null) === (i === 0));
      return of.length === 0 ? [] : [`${said}: ${of.map((e) => countWords(Number(e.after?.count), text(e.after?.what))).join(', ')}`];
    })
    .join('; ');

/** "2 × rag in the case", "dummy shaft". */
export const countWords = (count: number, what: string): string => (count === 1 ? what : `${count} × ${what}`);

/** What was done to the parts of a shaft: put in and taken out, or else turned or moved. */
function editWords(effects: readonly JournalEffect[]): string {
  const places = effects.filter((e) => e.table === 'place');
  const named = (of: readonly JournalEffect[]): string => of.map((e) => text((e.after ?? e.before)?.name)).join(', ');
  const put = places.filter((e) => e.before === null);
  const taken = places.filter((e) => e.after?.gone === true);
  const turned = places.filter((e) => e.before && e.after && e.before.turned !== e.after.turned);
  const said = [
    put.length > 0 ? `put in: ${named(put)}` : '',
    taken.length > 0 ? `taken out: ${named(taken)}` : '',
    turned.length > 0 ? `turned round: ${named(turned)}` : '',
  ].filter((words) => words !== '');
  return said.length > 0 ? `Parts of the shaft, ${said.join('; ')}` : `Parts of the shaft moved: ${named(places)}`;
}

const nameOf = (row: Readonly<Record<string, unknown>>): string => text(row.name) || text(row.machine) || text(row.role) || 'a setting';

function readingWords(row: Readonly<Record<string, unknown>>, stationName: (id: unknown) => string): JournalWords {
  const raw = (row.raw ?? {}) as { text?: string; answer?: string; method?: string; at?: string };
  if (raw.method === 'size') return plain(`${stationName(row.stationId)}${raw.at ? `, ${raw.at}` : ''}: ${raw.text ?? ''}`);
  const entry = raw.method === 'look' ? (raw.answer === 'notLooked' ? 'not looked' : (raw.answer ?? '')) : (raw.text ?? '');
  const keptAs = text((row.keptAs as { words?: string } | undefined)?.words);
  return plain(`${stationName(row.stationId)}: ${entry}${keptAs !== '' && keptAs !== entry ? `, kept as ${keptAs}` : ''}`);
}

function buildWords(row: { readonly fits?: unknown }, facts: JobFacts): string {
  // entries from before places were so called say which slot
  const fits = (row.fits ?? []) as (Omit<Fit, 'placeId'> & { placeId?: string; slotId?: string })[];
  const said = fits.map((fit) => {
    const slot = slotsOf(facts).find((s) => s.id === (fit.placeId ?? fit.slotId));
    const done = tightenedWords(fit).join(', ');
    if (done !== '') return `${facts.places.find((p) => p.id === fit.placeId)?.name.toLowerCase() ?? 'a part'}: ${done}`;
    if (fit.another) return `another one: ${slot?.name.toLowerCase() ?? 'a part'}`;
    if (fit.turn !== undefined) return `nut turned ${turnWords(fit.turn)}`;
    const joint = jointWords(fit);
    if (joint !== null) return [fit.state === null || !slot ? '' : stateWords(slot, fit.state), joint].filter((word) => word !== '').join(', ');
    if (fit.state === null || !slot) return `${slot?.name.toLowerCase() ?? 'pack'} ${packWords(fit.leaves)}`;
    return stateWords(slot, fit.state);
  });
  return said.length === 0 ? 'as it stood' : said.join(', ');
}

/** "all six to 25 N·m", "the nut, slave". */
export const tightenedWords = ({ tightened = [] }: Pick<Fit, 'tightened'>): string[] =>
  tightened.map(
    ({ bolts, torque, written, degrees, isSlave }) =>
      `${bolts}${torque === null ? '' : ` to ${written}`}${degrees === null ? '' : `${torque === null ? '' : ' and'} ${degrees}° on`}${isSlave ? ', slave' : ''}`,
  );

/** "lapped 3 thou", "reamed, nobody measured how much". */
export const removedWords = ({ process = 'lapped', amount = null, written = '' }: Partial<Removal>): string =>
  `${takenWords({ process, amount, written })}${amount === null ? ', nobody measured how much' : ''}`;

const madeName = (facts: JobFacts, id: unknown): string => facts.makings.find((m) => m.id === id)?.name ?? 'something that is gone';

/** "as cut 12.0 12.0", "40 strokes, then 11.5 11.4", "40 strokes, not read yet". */
function passWords({ effort = 0, written = '', readings = [] }: Partial<Pass>): string {
  if (effort === 0) return `as cut ${written}`;
  return `a pass of ${effort}, ${readings.length === 0 ? 'not read yet' : `then ${written}`}`;
}

const WENT = { droppedIn: 'dropped in', pressed: 'was pressed in', stuck: 'stuck part-way' } as const;
/** "dropped in at 72 °C, home", "stuck part-way at 60 °C". */
function heatingWords({ outer = null, inner = null, went = 'droppedIn', isHome = null }: Partial<HeatingGo>): string {
  const warm = [...(outer === null ? [] : [`at ${outer} °C`]), ...(inner === null ? [] : [`the inner at ${inner} °C`])].join(', ');
  return `${WENT[went]}${warm === '' ? '' : ` ${warm}`}${isHome === null ? '' : isHome ? ', home' : ', not home'}`;
}

/** What was made, and how big it came out. */
function finishedWords(effects: readonly JournalEffect[]): string {
  const made = effects.find((e) => e.table === 'making')?.after ?? {};
  const lot = effects.find((e) => e.table === 'lot')?.after;
  return lot ? `${text(made.name)}, ${text(lot.written)}` : text(made.name);
}

/** "0.300 mm bolted up", "0.030 mm of sealant"; null where nothing of the kind was said. */
function jointWords({ crushed, film }: Pick<Fit, 'crushed' | 'film'>): string | null {
  if (film !== undefined) return film === null ? 'no sealant' : `${describeLength(film, 'mm')} of sealant`;
  if (crushed === undefined || crushed === 0) return null;
  return crushed === null ? 'how thick it is bolted up is not known' : `gasket ${describeLength(crushed, 'mm')} bolted up`;
}

function withdrawnWords(row: Readonly<Record<string, unknown>>, facts: JobFacts): string {
  const why = text(row.why) === '' ? '' : `: ${text(row.why)}`;
  const stationName = (id: string): string => facts.stations.find((s) => s.id === id)?.name ?? 'a station that is gone';
  const of = <Row extends { readonly id: string }>(rows: readonly Row[], say: (found: Row) => string): string | null => {
    const found = rows.find((each) => each.id === row.ofId);
    return found ? say(found) : null;
  };
  const what =
    of(facts.readings, (r) => `the reading ${r.raw.text}`) ??
    of(facts.builds, (b) => `the build: ${buildWords(b, facts)}`) ??
    of(facts.strip, (e) => `the entry of the strip log: ${e.text}`) ??
    of(facts.inspections, (i) => `what was decided of ${i.part}: ${i.decision}`) ??
    of(facts.acceptances, (a) => `the acceptance of ${stationName(a.stationId)}`) ??
    of(facts.feels, (f) => `how it felt: ${f.word}`) ??
    of(facts.temporaries, (t) => `the count of ${countWords(t.count, t.what)}`) ??
    of(facts.removals, (r) => `what was taken off: ${stationName(r.stationId)}, ${removedWords(r)}`) ??
    of(facts.pulls, (p) => pulledWords([{ table: 'pull', id: p.id, before: null, after: p as unknown as JournalEffect['after'] }], facts)) ??
    of(facts.rollerCounts, (c) => `the count: ${countedRollers(c, facts)}`) ??
    of(facts.closings, (c) => `that ${stationName(c.stationId)} is done`) ??
    of(facts.passes, (p) => `a pass of ${madeName(facts, p.makingId)}: ${passWords(p)}`) ??
    of(facts.heatings, (h) => `that it ${heatingWords(h)}`) ??
    of(facts.photos, (p) => `a photo${p.caption === '' ? '' : ` of ${p.caption}`}`) ??
    'a withdrawal';
  return `${what}${why}`;
}

function limitWords(effects: readonly JournalEffect[], stationName: (id: unknown) => string): JournalWords {
  const limits = effects.filter((e) => e.table === 'limit');
  const old = limits.find((e) => e.before?.inUse === true && e.after?.inUse === false)?.before;
  const now = limits.find((e) => e.after?.inUse === true)?.after ?? limits.at(-1)?.after ?? {};
  const said = (limit: Readonly<Record<string, unknown>>): string =>
    `${text(limit.written)} (${[SOURCE_WORDS[text(limit.source)], text(limit.pageOrWhom)].filter((w) => w).join(', ')})`;
  return { words: `Limits of ${stationName(now.stationId)}: ${said(now)}`, from: old ? said(old) : null, to: old ? said(now) : null };
}
