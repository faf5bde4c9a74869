import { noFacts, FILE_VERSION, newShaft, workshopFile, type JobFacts, type WorkshopFile, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';

/** A job nobody has yet: ten thousand readings over two hundred builds of four shafts, as a workshop file. */
export function bigJob({ readings: howMany = 10_000, builds: over = 200 } = {}): WorkshopFile {
  let count = 0;
  const newId = (): string => `b1600000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
  const at = (n: number): string => new Date(Date.UTC(2020, 0, 1) + n * 600_000).toISOString();
  const [jobId, assemblyId] = [newId(), newId()];
  const shafts = [0, 1, 2, 3].map((position) =>
    newShaft({ assemblyId, name: `Shaft ${position + 1}`, template: 'taperPair', place: 'underCover', gasket: true, position, newId }),
  );
  const stations = shafts.flatMap((s) =>
    s.stations.map((row) => ({
      ...row,
      revision: 1,
      ...(row.subject === 'gap' ? { method: 'dial' as const, instrument: INSTRUMENTS.dialThou } : {}),
    })),
  );
  const gaps = stations.filter((s) => s.subject === 'gap');
  const leaf = { id: newId(), revision: 1, thickness: thou(3), written: '3', unit: 'thou', owned: 4, material: '', keptIn: '', note: '' };
  const builds: JobFacts['builds'] = [];
  const readings: JobFacts['readings'] = [];
  for (let b = 0; b < over; b++) {
    const shaft = shafts[b % shafts.length];
    const gap = gaps[b % gaps.length];
    const slot = shaft?.places.find((p) => p.takes === 'leaves');
    const id = newId();
    const time = b * 100;
    const leaves = [{ lotId: null, thickness: thou(8 + (b % 5)), written: String(8 + (b % 5)), unit: 'thou' as const, count: 1 }];
    builds.push({
      id,
      assemblyId,
      parentId: builds.at(-1)?.id ?? null,
      stage: 'dry',
      at: at(time),
      who: '',
      label: '',
      feel: [],
      note: '',
      fits: [{ id: newId(), placeId: slot?.id ?? '', leaves, state: null }],
    });
    for (let r = 0; r < howMany / over; r++)
      readings.push({
        id: newId(),
        stationId: gap?.id ?? '',
        buildId: id,
        raw: withUnderstood({
          method: 'dial',
          text: `${(80 + r) % 100}>${(90 + r + (b % 5)) % 100}`,
          instrument: INSTRUMENTS.dialThou,
          restsOn: [
            { item: 'dial', answer: 'square' },
            { item: 'cover.bolts', answer: 'torqued' },
            { item: 'cover.gasket', answer: 'new gasket' },
          ],
        }),
        who: '',
        takenAt: at(time + r + 1),
        supersedes: null,
        keptAs: { value: null, words: '' },
      });
  }
  const facts = {
    job: { id: jobId, revision: 1, machine: 'Big job', year: '', note: '', createdAt: at(0), archivedAt: null },
    ...noFacts(),
    assemblies: [{ id: assemblyId, revision: 1, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
    shafts: shafts.map((s) => ({ ...s.shaft, revision: 1 })),
    parts: shafts.flatMap((s) => s.parts.map((p) => ({ ...p, revision: 1 }))),
    places: shafts.flatMap((s) => s.places.map((p) => ({ ...p, revision: 1 }))),
    features: shafts.flatMap((s) => s.features.map((f) => ({ ...f, revision: 1 }))),
    contacts: shafts.flatMap((s) => s.contacts.map((c) => ({ ...c, revision: 1 }))),
    stations,
    limits: gaps.map((gap) => ({
      id: newId(),
      revision: 1,
      stationId: gap.id,
      min: thou(5),
      max: thou(8),
      written: '5-8 thou',
      unit: 'thou',
      source: 'manual',
      pageOrWhom: '',
      saidAt: '',
      working: '',
      specId: null,
      inUse: true,
    })),
    builds,
    readings,
  };
  return workshopFile.parse({
    format: 'elder-cog/workshop',
    version: FILE_VERSION,
    madeAt: at(0),
    jobs: [facts],
    lots: [leaf],
    instruments: [],
    stock: [],
    journal: [],
  });
}
