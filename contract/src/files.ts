import { z } from 'zod';
import { FILE_VERSION } from './constants.ts';
import { id, lot, ownInstrument, stock, time, who } from './facts/index.ts';
import { jobFacts, type JobFacts } from './tables.ts';
import { lastWrittenIn, placedJob, upgradeEntry } from './toPlaces.ts';
import { understoodIn } from './understoodThen.ts';

/** More than a workshop writes in a thousand years. */
const MOST_ENTRIES = 1_000_000_000;

const row = z.record(z.string(), z.unknown()).nullable();
const effects = z.array(z.object({ table: z.string().max(40), id: z.string().max(60), before: row, after: row }));

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
};
const isJson = (text: string): boolean => parsed(text) !== undefined;
const isEffects = (text: string): boolean => effects.safeParse(parsed(text)).success;

/** One command as the journal holds it: who did what when, and every row before and after. */
export const journalEntry = z
  .object({
    seq: z.int().min(1).max(MOST_ENTRIES),
    commandId: z.string().max(60),
    clientId: z.string().max(60),
    who,
    at: time,
    kind: z.string().max(40),
    jobId: id.nullable(),
    /** the command as it was sent, JSON */
    what: z.string().refine(isJson, 'The command as it was sent, as JSON.'),
    /** rows before and after, JSON */
    effects: z.string().refine(isEffects, 'The rows it wrote, before and after, as JSON.'),
    undoes: z.int().min(1).nullable(),
    undid: z.string().max(400).nullable(),
  })
  .refine((entry) => entry.undoes === null || entry.undoes < entry.seq, 'An entry takes back one that stands before it.');

/** One job in a file, with the leaves its builds name. `job.json` in a `.eldercog.zip`, or by itself. */
export const jobFile = z.object({
  format: z.literal('elder-cog/job'),
  version: z.literal(FILE_VERSION),
  madeAt: time,
  job: jobFacts,
  lots: z.array(lot).max(10_000),
});

/** A whole workshop in a file: every job, the Drawer with its instruments and stock, and the journal. `workshop.json` in a `.eldercog.zip`, or by itself. */
export const workshopFile = z.object({
  format: z.literal('elder-cog/workshop'),
  version: z.literal(FILE_VERSION),
  madeAt: time,
  jobs: z.array(jobFacts).max(10_000),
  lots: z.array(lot).max(10_000),
  instruments: z.array(ownInstrument).max(1000),
  stock: z.array(stock).max(10_000),
  journal: z.array(journalEntry),
});

export const anyFile = z.discriminatedUnion('format', [jobFile, workshopFile]);

export type JournalEntry = z.output<typeof journalEntry>;
export type JobFile = z.output<typeof jobFile>;
export type WorkshopFile = z.output<typeof workshopFile>;
export type AnyFile = z.output<typeof anyFile>;

/** The jobs of a file, one or all. */
export const jobsIn = (file: AnyFile): readonly JobFacts[] => (file.format === 'elder-cog/job' ? [file.job] : file.jobs);

type Rows = Record<string, unknown>;
const rows = (value: unknown): Rows[] => (Array.isArray(value) ? (value as Rows[]) : []);

/** From version 1: limits said less of where they came from, there was no spec sheet, and no journal in the file. */
function fromOne(file: Rows): Rows {
  const upgraded = (facts: Rows): Rows => ({
    ...facts,
    limits: rows(facts.limits).map((limit) => ({ saidAt: '', working: '', specId: null, ...limit })),
    specs: [],
  });
  return { ...file, version: 2, madeAt: '1970-01-01T00:00:00.000Z', jobs: rows(file.jobs).map(upgraded), journal: [] };
}

const NO_WEAR_BOOK = { strip: [], inspections: [], acceptances: [], photos: [], lookAlikes: [], matchedSets: [], openItems: [] };

const upgradeJobs = (file: Rows, upgraded: (facts: Rows) => Rows): Rows => ({
  ...file,
  ...(Array.isArray(file.jobs) ? { jobs: rows(file.jobs).map(upgraded) } : {}),
  ...(typeof file.job === 'object' && file.job !== null ? { job: upgraded(file.job as Rows) } : {}),
});

/** From version 2: nothing was written down as it came apart, looked at, photographed, accepted or left open. */
function fromTwo(file: Rows): Rows {
  const upgraded = (facts: Rows): Rows => ({
    ...NO_WEAR_BOOK,
    ...facts,
    assemblies: rows(facts.assemblies).map((assembly) => ({ cameApart: false, ...assembly })),
    stations: rows(facts.stations).map((station) => ({ gone: false, ...station })),
  });
  return { ...upgradeJobs(file, upgraded), version: 3 };
}

/** From version 3: what was observed stood by the clock of whichever tablet wrote it; since then it stands as the server took it. */
function fromThree(file: Rows): Rows {
  const byClock = (value: unknown, clock: string): Rows[] =>
    rows(value).toSorted((a, b) => (String(a[clock]) < String(b[clock]) ? -1 : String(a[clock]) > String(b[clock]) ? 1 : 0));
  const upgraded = (facts: Rows): Rows => ({ ...facts, builds: byClock(facts.builds, 'at'), readings: byClock(facts.readings, 'takenAt') });
  return { ...upgradeJobs(file, upgraded), version: 4 };
}

/** From version 4: a reading was what was typed, and was read again each time. */
function fromFour(file: Rows): Rows {
  const upgraded = (facts: Rows): Rows => ({
    ...facts,
    readings: rows(facts.readings).map((reading) => ({ ...reading, raw: understoodIn(reading.raw) })),
  });
  return { ...upgradeJobs(file, upgraded), version: 5 };
}

/** From version 5: whatever was measured hung on a shaft; since then it may hang on its box alone. */
const fromFive = (file: Rows): Rows => ({ ...file, version: 6 });

/** From version 6: a shaft was parts with faces of their own; since then it is places, faces and contacts, and a size is read. */
function fromSix(file: Rows): Rows {
  const journal = rows(file.journal);
  const lastWritten = lastWrittenIn(journal as { who: unknown; at: unknown; effects: unknown }[]);
  const entries: Rows[] = [];
  const upgraded = (facts: Rows): Rows => {
    const { facts: placed, effects: written } = placedJob(facts, lastWritten);
    const id = (facts.job as Rows | undefined)?.id;
    const seq = journal.reduce((most, entry) => Math.max(most, Number(entry.seq)), 0) + entries.length + 1;
    if (journal.length > 0 && typeof id === 'string') entries.push(upgradeEntry(id, seq, String(file.madeAt), written));
    return placed;
  };
  const jobs = upgradeJobs(file, upgraded);
  return { ...jobs, ...(Array.isArray(file.journal) ? { journal: [...(file.journal as unknown[]), ...entries] } : {}), version: 7 };
}

/** From version 7: everything was judged by itself. */
const fromSeven = (file: Rows): Rows => ({ ...upgradeJobs(file, (facts) => ({ settings: [], ...facts })), version: 8 });

const NOTHING_BESIDE_BUILDS = { feels: [], temporaries: [], removals: [], closings: [] };

/** From version 8: nobody said how a build felt, what was in for the time being or taken off a part, or which instruments there are. */
const fromEight = (file: Rows): Rows => ({
  ...upgradeJobs(file, (facts) => ({ ...NOTHING_BESIDE_BUILDS, ...facts })),
  ...(Array.isArray(file.jobs) ? { instruments: [] } : {}),
  version: 9,
});

const NOTHING_MADE = { makings: [], passes: [], fittings: [], heatings: [] };

/** From version 9: nothing was made or fitted hot, and there was no stock. */
const fromNine = (file: Rows): Rows => ({
  ...upgradeJobs(file, (facts) => ({ ...NOTHING_MADE, ...facts })),
  ...(Array.isArray(file.jobs) ? { stock: [] } : {}),
  version: 10,
});

const NOTHING_FASTENED = { joints: [], pulls: [], rollers: [], rollerCounts: [] };

/** From version 10: a torque had nowhere to go, nobody said what held what, and loose rollers were counted in the strip log alone. */
const fromTen = (file: Rows): Rows => ({ ...upgradeJobs(file, (facts) => ({ ...NOTHING_FASTENED, ...facts })), version: 11 });

/**
 * A file of any version this program has ever written, as the newest. What is not such a file comes back as it is, for the schema to
 * say what is wrong with it.
 */
export function upgradeFile(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null) return raw;
  const file = raw as Rows;
  const second = file.format === 'elder-cog/workshop' && file.version === 1 ? fromOne(file) : file;
  if (second.format !== 'elder-cog/workshop' && second.format !== 'elder-cog/job') return second;
  const third = second.version === 2 ? fromTwo(second) : second;
  const fourth = third.version === 3 ? fromThree(third) : third;
  const fifth = fourth.version === 4 ? fromFour(fourth) : fourth;
  const sixth = fifth.version === 5 ? fromFive(fifth) : fifth;
  const seventh = sixth.version === 6 ? fromSix(sixth) : sixth;
  const eighth = seventh.version === 7 ? fromSeven(seventh) : seventh;
  const ninth = eighth.version === 8 ? fromEight(eighth) : eighth;
  const tenth = ninth.version === 9 ? fromNine(ninth) : ninth;
  return tenth.version === 10 ? fromTen(tenth) : tenth;
}
