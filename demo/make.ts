/**
 * The made-up workshop, written out as an ordinary workshop file: `node tools/run.mjs demo/make.ts`. Machines, people, places
 * and numbers are invented. Ids and times are fixed, so that the file only changes when its story does.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { noFacts, workshopFile, type JobFacts, type Photo, FILE_VERSION } from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { mm } from '@elder-cog/core';
import { keepPhoto, zipped } from '@elder-cog/server';
import { stateText } from './stateText.ts';
import { newId, at } from './ids.ts';
import { lots } from './drawer.ts';
import { jobId, transferBox, gearbox, output, shafts, stations, stationOf, gearFloat, boreId, journalId, pairId } from './machine.ts';
import { limit, pageLimits, specs } from './sheet.ts';
import { builds, readings } from './builds.ts';
import { mailVan, orchardCrawler, otherLots } from './others.ts';
import { bearer, spigot, rearPair, washerFront, washerRear, spring, needles, gearPlay } from './rows.ts';
import { strip, stationNamed, inspections, lookAlikes, matchedSets, openItems } from './apart.ts';
import './felt.ts';
import { fittings, makingOf, stock } from './made.ts';

/** Each build follows the one before it in its box. */
const inOrder = [...builds].sort((a, b) => a.at.localeCompare(b.at));
for (const [i, build] of inOrder.entries()) build.parentId = inOrder.slice(0, i).findLast((b) => b.assemblyId === build.assemblyId)?.id ?? null;

const facts: JobFacts = {
  job: {
    id: jobId,
    revision: 1,
    machine: 'Snow tractor',
    year: '1957',
    note: 'Transfer box out since September. The cover gasket was doubled by somebody before us.',
    createdAt: at(2, '17:00'),
    archivedAt: null,
  },
  ...noFacts(),
  assemblies: [
    { id: transferBox, revision: 1, jobId, name: 'Transfer box', kind: 'box', position: 0, mirrorOf: null, cameApart: false },
    { id: gearbox, revision: 1, jobId, name: 'Gearbox', kind: 'box', position: 1, mirrorOf: null, cameApart: false },
  ],
  shafts: shafts.map((s) => ({ ...s.shaft, revision: 1 })),
  parts: shafts.flatMap((s) => s.parts.map((p) => ({ ...p, revision: 1 }))),
  places: shafts.flatMap((s) => s.places.map((p) => ({ ...p, revision: 1 }))),
  features: shafts.flatMap((s) => s.features.map((f) => ({ ...f, revision: 1 }))),
  contacts: shafts.flatMap((s) => s.contacts.map((c) => ({ ...c, revision: 1 }))),
  stations,
  limits: [
    ...pageLimits.map(([spec, inUse]) => ({
      ...limit(spec.stationId ?? '', spec.written.split(',')[0] ?? '', 'thou', spec.pageOrWhom),
      saidAt: spec.saidAt,
      specId: spec.id,
      inUse,
    })),
    limit(gearFloat.id, '0.10 to 0.25 mm', 'mm', 'p. 18'),
    limit(stationOf(output, 'gap.float').id, 'preload 1-3 thou', 'thou', 'p. 21'),
    limit(pairId, '1.5-4 thou', 'thou', 'p. 35'),
    limit(boreId, 'max .8140 in', 'in', 'p. 35'),
    limit(journalId, 'min .8095 in', 'in', 'p. 35'),
    {
      ...limit(rearPair.id, '0.014-0.046 mm', 'mm', ''),
      source: 'reckoned',
      working: 'by its speed at 300 rev/min: 0.28 m/s at the bore, so 0.58 ‰ of it, −20 % to +30 %; let go to twice the greatest',
    },
    limit(bearer.id, 'max 18.08 mm', 'mm', 'p. 36'),
    limit(spigot.id, 'min 17.94 mm', 'mm', 'p. 36'),
    limit(washerFront.id, 'min .1190 in', 'in', 'p. 36'),
    limit(washerRear.id, 'min 2.80 mm', 'mm', 'p. 36'),
    limit(spring.id, 'min 30.5 mm', 'mm', 'p. 40'),
    limit(needles.id, 'min 2.490 mm', 'mm', 'p. 41'),
    limit(gearPlay.id, '6-12 thou', 'thou', 'p. 33'),
  ],
  builds: inOrder,
  readings: readings.sort((a, b) => a.takenAt.localeCompare(b.takenAt)),
  specs,
  strip,
  inspections: inspections.sort((a, b) => a.at.localeCompare(b.at)),
  acceptances: [
    {
      id: newId(),
      stationId: spring.id,
      kind: 'outside',
      value: mm(30.1),
      reason: 'The detent still snaps; a new spring is on order.',
      who: 'J. T.',
      at: at(8, '20:10'),
    },
  ],
  lookAlikes,
  matchedSets,
  openItems,
};

const picture = async (name: string, ofKind: Photo['ofKind'], ofId: string, when: string): Promise<Photo> => ({
  id: newId(),
  jobId,
  ofKind,
  ofId,
  ...(await keepPhoto(kept, readFileSync(join(import.meta.dirname, 'photos', `${name}.jpg`)))),
  caption: strip.find((entry) => entry.id === ofId)?.part ?? '',
  who: 'J. T.',
  at: when,
});
const stripNamed = (part: string): string => strip.find((entry) => entry.part === part)?.id ?? '';
const kept = mkdtempSync(join(tmpdir(), 'elder-cog-demo-'));
const photos = [
  await picture('flange', 'strip', stripNamed('Coupling flange'), at(2, '19:00')),
  await picture('cover', 'strip', stripNamed('Cover bolts'), at(2, '19:05')),
  await picture('rearWasher', 'strip', stripNamed('Thrust washer rear'), at(3, '18:30')),
  await picture('gear', 'strip', stripNamed('Idler gear'), at(3, '18:35')),
  await picture('frontWasher', 'strip', stripNamed('Thrust washer front'), at(3, '18:40')),
  await picture('bush', 'station', stationNamed('Idler bush, front').id, at(8, '19:58')),
  await picture('rearWasher', 'station', washerRear.id, at(8, '20:06')),
];

Object.assign(facts, makingOf(facts), { fittings: [...fittings] });

const file = workshopFile.parse({
  format: 'elder-cog/workshop',
  version: FILE_VERSION,
  madeAt: at(14, '08:00'),
  jobs: [facts],
  lots,
  instruments: [],
  stock: [...stock],
  journal: [],
});
writeFileSync(join(import.meta.dirname, 'workshop.json'), `${JSON.stringify(file, null, 1)}\n`);
const [made] = file.jobs;
if (made) writeFileSync(join(import.meta.dirname, 'golden.json'), `${stateText(derive(made))}\n`);
// with its photos, as it is shown; the plain file is what tests read
const whole = { ...file, jobs: [{ ...facts, photos }, mailVan, orchardCrawler], lots: [...lots, ...otherLots] };
const others = workshopFile.parse({ ...whole, jobs: [mailVan, orchardCrawler] });
writeFileSync(join(import.meta.dirname, 'others.json'), `${JSON.stringify(others, null, 1)}\n`);
writeFileSync(join(import.meta.dirname, 'workshop.eldercog.zip'), zipped(whole, kept));
rmSync(kept, { recursive: true });
console.log(`Wrote ${whole.jobs.length} jobs, ${photos.length} photos, ${whole.lots.reduce((sum, l) => sum + l.owned, 0)} leaves.`);
