import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { z } from 'zod';
import { TEMPLATES, type TemplateName } from '@elder-cog/core';
import {
  change,
  command,
  fileProblems,
  fileSchema,
  jobFile,
  upgradeFile,
  fitLeaf,
  limit,
  newShaft,
  reading,
  REPLIES,
  station,
  FILE_VERSION,
  countedIn,
  isNotMeasured,
  notMeasured,
  WIRE,
  workshopFile,
  type Change,
} from './index.ts';
import { OLD_FILES } from './oldFiles.fixture.ts';

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const shaftOf = (
  template: TemplateName,
  place: (typeof TEMPLATES)[TemplateName]['places'][number]['place'],
  gasket = false,
): Extract<Change, { kind: 'shaft.create' }> => newShaft({ assemblyId: newId(), name: 'Input shaft', template, place, gasket, position: 0, newId });

describe('a ready shaft as a command', () => {
  const every = (Object.keys(TEMPLATES) as TemplateName[]).flatMap((template) =>
    TEMPLATES[template].places.map(({ place }) => ({ template, place })),
  );
  it.each(every)('$template with its shim $place is one the server takes', ({ template, place }) =>
    expect(change.safeParse(shaftOf(template, place)).error).toBeUndefined(),
  );
  it.each(every)('$template, $place: every face a length or a contact names belongs to one of its places', ({ template, place }) => {
    const { places, features, contacts } = shaftOf(template, place);
    const faces = new Set(places.flatMap((p) => p.faces.map((face) => face.id)));
    expect(features.flatMap((f) => [f.fromFace, f.toFace]).filter((face) => !faces.has(face))).toEqual([]);
    expect(contacts.flatMap((c) => [c.a, c.b]).filter((face) => !faces.has(face))).toEqual([]);
  });
  it.each(every)('$template, $place: its gaps, a place for shims, and whatever else sits in a place is a part of the box', ({ template, place }) => {
    const { shaft, parts, places, stations } = shaftOf(template, place);
    const gaps = stations.filter((s) => s.subject === 'gap');
    expect(gaps.length).toBeGreaterThan(0);
    for (const gap of gaps) expect(gap).toMatchObject({ reads: { what: 'gap', contacts: [expect.any(String)] } });
    const packs = places.filter((p) => p.takes === 'leaves' || p.takes === 'part');
    expect(packs.map((p) => p.sits)).toContain(place);
    for (const pack of packs) expect(pack).toMatchObject({ partId: null, proportion: expect.any(Number) });
    expect(places.flatMap((p) => p.partId ?? []).sort()).toEqual(parts.map((p) => p.id).sort());
    expect(new Set(parts.map((p) => p.assemblyId))).toEqual(new Set([shaft.assemblyId]));
  });
  it('has a gasket to ask about only where there is one', () => {
    expect(shaftOf('taperPair', 'underCover', true).places.map((p) => p.takes)).toContain('gasket');
    expect(shaftOf('taperPair', 'underCover').places.map((p) => p.takes)).not.toContain('gasket');
  });
  it('comes under fresh ids each time', () => {
    const ids = (s: ReturnType<typeof shaftOf>): string[] =>
      [...s.parts, ...s.places, ...s.places.flatMap((p) => p.faces), ...s.features, ...s.contacts, ...s.stations].map((row) => row.id);
    const [one, other] = [ids(shaftOf('taperPair', 'underCover')), ids(shaftOf('taperPair', 'underCover'))];
    expect(new Set([...one, ...other]).size).toBe(one.length + other.length);
  });
});

describe('the shapes refuse', () => {
  const issue = (result: { success: boolean; error?: { issues: readonly { path: PropertyKey[] }[] } }): string =>
    result.success ? 'nothing' : (result.error?.issues.map((i) => i.path.join('.')).join(' ') ?? '');
  it.each([
    ['a thickness that is not whole', fitLeaf, { lotId: null, thickness: 1.5, written: '', unit: 'thou', count: 1 }, 'thickness'],
    ['a leaf of nothing', fitLeaf, { lotId: null, thickness: 0, written: '0', unit: 'thou', count: 1 }, 'thickness'],
    ['a leaf of less than nothing', fitLeaf, { lotId: null, thickness: -25_400, written: '-1', unit: 'thou', count: 1 }, 'thickness'],
    [
      'a length over ten metres',
      limit,
      {
        id: newId(),
        revision: 1,
        stationId: newId(),
        min: null,
        max: 1e11,
        written: 'x',
        unit: 'mm',
        source: 'manual',
        pageOrWhom: '',
        saidAt: '',
        working: '',
        specId: null,
        inUse: true,
      },
      'max',
    ],
    [
      'a limit from nowhere known',
      limit,
      {
        id: newId(),
        revision: 1,
        stationId: newId(),
        min: 0,
        max: 1,
        written: 'x',
        unit: 'mm',
        source: 'dream',
        pageOrWhom: '',
        saidAt: '',
        working: '',
        specId: null,
        inUse: true,
      },
      'source',
    ],
    ['a time that is not one', reading.shape.takenAt, 'yesterday', ''],
    ['an id that is not one', reading.shape.id, '17', ''],
    ['a station about nothing', station.shape.subject, 'smell', ''],
    ['a command with no change', command, { commandId: newId(), clientId: newId(), who: '', at: '2026-01-01T00:00:00.000Z' }, 'change'],
    [
      'a file of another format',
      workshopFile,
      { format: 'other', version: FILE_VERSION, madeAt: '2026-01-01T00:00:00.000Z', jobs: [], lots: [], journal: [], instruments: [], stock: [] },
      'format',
    ],
    [
      'a file of a version not known',
      workshopFile,
      { format: 'elder-cog/workshop', version: 99, madeAt: '2026-01-01T00:00:00.000Z', jobs: [], lots: [], journal: [], instruments: [], stock: [] },
      'version',
    ],
  ] as const)('%s', (_, shape, value, path) => expect(issue(shape.safeParse(value))).toBe(path));
  it('and take the made-up workshop whole', () => {
    const demo: unknown = JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8'));
    expect(workshopFile.parse(demo)).toEqual(demo);
  });
});

describe('what the server sends', () => {
  it('is of the shapes that WIRE stands for: count it up, and write down the new ones, when they change', () => {
    const shapes = Object.entries(REPLIES).map(([name, reply]) => [name, z.toJSONSchema(reply, { unrepresentable: 'any' })]);
    const hash = createHash('sha256').update(JSON.stringify(shapes)).digest('hex').slice(0, 16);
    const { wire, replies } = JSON.parse(readFileSync(new URL('../fixtures/wire.json', import.meta.url), 'utf8')) as {
      wire: number;
      replies: string;
    };
    expect({ wire: WIRE, replies: hash }).toEqual({ wire, replies });
  });
});

describe('the file format', () => {
  const text = (path: string): string => readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8');
  it('is written down as the program has it', () =>
    expect(JSON.parse(text('docs/file-format.schema.json'))).toEqual(JSON.parse(JSON.stringify(fileSchema()))));
  it.each(OLD_FILES)('%s is still read, and is sound', (name) => {
    const raw: unknown = upgradeFile(JSON.parse(text(`contract/fixtures/${name}`)));
    const file = name.startsWith('job') ? jobFile.parse(raw) : workshopFile.parse(raw);
    expect(fileProblems(file)).toEqual([]);
  });
  it('leaves alone what is no file of its own', () => {
    for (const other of [null, 7, 'x', [], { format: 'elder-cog/workshop', version: FILE_VERSION }]) expect(upgradeFile(other)).toBe(other);
  });
});

describe('a pack nobody has measured', () => {
  it('is so whether its leaves were counted or not, and says how many where they were', () => {
    for (const count of [null, 1, 3, 12]) {
      const state = notMeasured(count);
      expect([isNotMeasured(state), countedIn(state)]).toEqual([true, count]);
    }
    for (const state of [null, '', 'hand tight', 'not measured, some of them', 'not measured, 3 of them, or so'])
      expect([isNotMeasured(state), countedIn(state)]).toEqual([false, null]);
  });
});
