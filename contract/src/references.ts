import type { JobFacts, Lot } from './facts.ts';
import type { AnyFile } from './files.ts';

/** Something in a file that cannot be, where it stands, and what would be right. */
export interface FileProblem {
  readonly path: readonly (string | number)[];
  readonly found: string;
  readonly wanted: string;
}

type Path = readonly (string | number)[];
type Row = { readonly id: string };
type Check = (ok: boolean, path: Path, found: unknown, wanted: string) => void;

/** Rows of one job that name each other must name what is there; ids are used once; limits are the right way round. */
function factsProblems(facts: JobFacts, lots: ReadonlySet<string>, at: Path, check: Check): void {
  const ids = (rows: readonly Row[]): ReadonlySet<string> => new Set(rows.map((row) => row.id));
  const known = {
    assemblies: ids(facts.assemblies),
    shafts: ids(facts.shafts),
    slots: ids(facts.slots),
    stations: ids(facts.stations),
    specs: ids(facts.specs),
    builds: ids(facts.builds),
    readings: ids(facts.readings),
    withdrawals: ids(facts.withdrawals),
    strip: ids(facts.strip),
    inspections: ids(facts.inspections),
    acceptances: ids(facts.acceptances),
    photos: ids(facts.photos),
    lookAlikes: ids(facts.lookAlikes),
    openItems: ids(facts.openItems),
  };
  const names = (table: keyof JobFacts, i: number, field: string, value: string | null, of: ReadonlySet<string>, what: string): void =>
    check(value === null || of.has(value), [...at, table, i, field], value, `the id of ${what} in this file`);
  const once = (table: keyof JobFacts, keys: readonly string[], what: string): void => {
    const seen = new Set<string>();
    keys.forEach((key, i) => {
      check(!seen.has(key), [...at, table, i], key, what);
      seen.add(key);
    });
  };

  facts.assemblies.forEach((row, i) => {
    check(row.jobId === facts.job.id, [...at, 'assemblies', i, 'jobId'], row.jobId, 'the id of the job in this file');
    names('assemblies', i, 'mirrorOf', row.mirrorOf, known.assemblies, 'a box');
  });
  facts.shafts.forEach((row, i) => names('shafts', i, 'assemblyId', row.assemblyId, known.assemblies, 'a box'));
  for (const table of ['parts', 'features', 'contacts', 'slots', 'stations'] as const)
    facts[table].forEach((row, i) => names(table, i, 'shaftId', row.shaftId, known.shafts, 'a shaft'));
  for (const table of ['parts', 'features', 'contacts', 'slots'] as const)
    once(
      table,
      facts[table].map((row) => `${row.shaftId} ${row.role}`),
      'a role used once on a shaft',
    );
  facesProblems(facts, at, check);
  facts.stations.forEach((row, i) => {
    names('stations', i, 'boreId', row.boreId, known.stations, 'a station');
    names('stations', i, 'journalId', row.journalId, known.stations, 'a station');
    const contacts = facts.contacts.filter((c) => c.shaftId === row.shaftId);
    check(
      row.contactRole === null || contacts.some((c) => c.role === row.contactRole),
      [...at, 'stations', i, 'contactRole'],
      row.contactRole,
      'the role of a contact of this shaft',
    );
  });
  facts.limits.forEach((row, i) => {
    names('limits', i, 'stationId', row.stationId, known.stations, 'a station');
    names('limits', i, 'specId', row.specId, known.specs, 'a line of the spec sheet');
    check(row.min !== null || row.max !== null, [...at, 'limits', i], 'no figure', 'a least, a greatest, or both');
    check(row.min === null || row.max === null || row.min <= row.max, [...at, 'limits', i, 'min'], row.min, `no more than ${row.max ?? ''}`);
  });
  facts.specs.forEach((row, i) => {
    check(row.jobId === facts.job.id, [...at, 'specs', i, 'jobId'], row.jobId, 'the id of the job in this file');
    names('specs', i, 'stationId', row.stationId, known.stations, 'a station');
  });
  buildProblems(facts, lots, known, at, check);
  facts.readings.forEach((row, i) => {
    names('readings', i, 'stationId', row.stationId, known.stations, 'a station');
    names('readings', i, 'buildId', row.buildId, known.builds, 'a build');
    names('readings', i, 'supersedes', row.supersedes, known.readings, 'a reading');
  });
  facts.withdrawals.forEach((row, i) =>
    names(
      'withdrawals',
      i,
      'ofId',
      row.ofId,
      {
        reading: known.readings,
        build: known.builds,
        withdrawal: known.withdrawals,
        strip: known.strip,
        inspection: known.inspections,
        acceptance: known.acceptances,
        photo: known.photos,
      }[row.ofKind],
      `a ${row.ofKind}`,
    ),
  );
  facts.strip.forEach((row, i) => {
    names('strip', i, 'assemblyId', row.assemblyId, known.assemblies, 'a box');
    names('strip', i, 'shaftId', row.shaftId, known.shafts, 'a shaft');
    names('strip', i, 'supersedes', row.supersedes, known.strip, 'an entry of the strip log');
  });
  for (const table of ['inspections', 'photos', 'lookAlikes', 'matchedSets', 'openItems'] as const)
    facts[table].forEach((row, i) => check(row.jobId === facts.job.id, [...at, table, i, 'jobId'], row.jobId, 'the id of the job in this file'));
  facts.inspections.forEach((row, i) => names('inspections', i, 'stationId', row.stationId, known.stations, 'a station'));
  facts.acceptances.forEach((row, i) => names('acceptances', i, 'stationId', row.stationId, known.stations, 'a station'));
  const pictured = {
    strip: known.strip,
    station: known.stations,
    inspection: known.inspections,
    lookAlike: known.lookAlikes,
    openItem: known.openItems,
    job: new Set([facts.job.id]),
  };
  facts.photos.forEach((row, i) => names('photos', i, 'ofId', row.ofId, pictured[row.ofKind], 'what it is a photo of'));
}

function facesProblems(facts: JobFacts, at: Path, check: Check): void {
  const facesOf = (shaftId: string): ReadonlySet<string> => new Set(facts.parts.filter((p) => p.shaftId === shaftId).flatMap((p) => p.faces));
  const byShaft = new Map(facts.shafts.map((s) => [s.id, facesOf(s.id)]));
  const isFace = (shaftId: string, face: string): boolean => byShaft.get(shaftId)?.has(face) ?? false;
  const partRoles = new Set(facts.parts.map((p) => `${p.shaftId} ${p.role}`));
  const isPart = (shaftId: string, role: string | null): boolean => role === null || partRoles.has(`${shaftId} ${role}`);
  facts.features.forEach((row, i) => {
    for (const field of ['fromFace', 'toFace'] as const)
      check(isFace(row.shaftId, row[field]), [...at, 'features', i, field], row[field], 'a face of a part of this shaft');
    check(isPart(row.shaftId, row.partRole), [...at, 'features', i, 'partRole'], row.partRole, 'the role of a part of this shaft');
  });
  facts.contacts.forEach((row, i) => {
    for (const field of ['a', 'b'] as const)
      check(isFace(row.shaftId, row[field]), [...at, 'contacts', i, field], row[field], 'a face of a part of this shaft');
  });
  facts.slots.forEach((row, i) =>
    check(isPart(row.shaftId, row.partRole), [...at, 'slots', i, 'partRole'], row.partRole, 'the role of a part of this shaft'),
  );
}

function buildProblems(
  facts: JobFacts,
  lots: ReadonlySet<string>,
  known: { assemblies: ReadonlySet<string>; slots: ReadonlySet<string>; builds: ReadonlySet<string> },
  at: Path,
  check: Check,
): void {
  const parents = new Map(facts.builds.map((b) => [b.id, b.parentId]));
  const comesRound = (start: string): boolean => {
    let next = parents.get(start) ?? null;
    for (let steps = 0; next !== null && steps <= parents.size; steps++) {
      if (next === start) return true;
      next = parents.get(next) ?? null;
    }
    return false;
  };
  facts.builds.forEach((row, i) => {
    const here = [...at, 'builds', i];
    check(known.assemblies.has(row.assemblyId), [...here, 'assemblyId'], row.assemblyId, 'the id of a box in this file');
    check(row.parentId === null || known.builds.has(row.parentId), [...here, 'parentId'], row.parentId, 'the id of a build in this file');
    check(!comesRound(row.id), [...here, 'parentId'], row.parentId, 'an earlier build: this one comes round to itself');
    check(new Set(row.fits.map((f) => f.slotId)).size === row.fits.length, [...here, 'fits'], 'one place twice', 'each place once');
    row.fits.forEach((fit, j) => {
      check(known.slots.has(fit.slotId), [...here, 'fits', j, 'slotId'], fit.slotId, 'the id of a place in this file');
      fit.leaves.forEach((leaf, k) =>
        check(leaf.lotId === null || lots.has(leaf.lotId), [...here, 'fits', j, 'leaves', k, 'lotId'], leaf.lotId, 'the id of leaves in this file'),
      );
    });
  });
}

const TABLES = [
  'assemblies',
  'shafts',
  'parts',
  'features',
  'contacts',
  'slots',
  'stations',
  'limits',
  'builds',
  'readings',
  'withdrawals',
  'specs',
  'strip',
  'inspections',
  'acceptances',
  'photos',
  'lookAlikes',
  'matchedSets',
  'openItems',
] as const;

/**
 * What a file of the right shape still has wrong with it: an id used twice, a row that names one that is not there, limits the wrong way
 * round, a build that comes round to itself.
 *
 * @returns problems in the order they stand; none when all is sound
 */
export function fileProblems(file: AnyFile): FileProblem[] {
  const problems: FileProblem[] = [];
  const check: Check = (ok, path, found, wanted) => {
    if (!ok) problems.push({ path, found: String(found), wanted });
  };
  const jobs: readonly (readonly [Path, JobFacts])[] =
    file.format === 'elder-cog/job' ? [[['job'], file.job]] : file.jobs.map((job, i) => [['jobs', i], job] as const);
  const lots = new Set(file.lots.map((lot: Lot) => lot.id));
  const seen = new Map<string, string>();
  const once = (id: string, path: Path): void => {
    check(!seen.has(id), [...path, 'id'], id, 'an id used once');
    seen.set(id, path.join('.'));
  };
  file.lots.forEach((lot, i) => once(lot.id, ['lots', i]));
  for (const [at, facts] of jobs) {
    once(facts.job.id, [...at, 'job']);
    for (const table of TABLES) facts[table].forEach((row, i) => once(row.id, [...at, table, i]));
    facts.builds.forEach((build, i) => build.fits.forEach((fit, j) => once(fit.id, [...at, 'builds', i, 'fits', j])));
    factsProblems(facts, lots, at, check);
  }
  return problems;
}
