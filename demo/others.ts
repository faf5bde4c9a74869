/** Two more made-up machines: a mail van with a layshaft whose floats share parts and a hub drawn up by a nut, and an orchard crawler. */
import { noFacts, newShaft, withUnderstood, type JobFacts, type Lot, type Station } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type Instrument, type Place, type TemplateName } from '@elder-cog/core';
import { leaf } from './drawer.ts';
import { at, newId } from './ids.ts';
import { limit } from './sheet.ts';

/** Washers and rings kept for them. */
export const otherLots: Lot[] = [
  ...([55, 57, 61, 103, 107] as const).map((t) => leaf(thou(t), String(t), 'thou', 1, 'van washers')),
  ...([7, 9] as const).map((t) => leaf(thou(t), String(t), 'thou', 2, 'tin 1')),
  ...(['2.34', '2.38', '2.42'] as const).map((t) => leaf(mm(Number(t)), t, 'mm', 1, 'crawler rings')),
];

type Leaf = readonly [written: string, unit: 'thou' | 'mm'];
interface Evening {
  readonly when: string;
  readonly stage: 'as_found' | 'dry';
  /** by the role of its place */
  readonly packs: Readonly<Record<string, readonly Leaf[]>>;
  readonly said?: Readonly<Record<string, string>>;
  /** by the role of its station */
  readonly reads: Readonly<Record<string, string>>;
}
interface ShaftStory {
  readonly name: string;
  readonly template: TemplateName;
  readonly place: Place;
  readonly as: Instrument;
  readonly limits: Readonly<Record<string, readonly [written: string, unit: 'thou' | 'mm']>>;
  readonly evenings: readonly Evening[];
}
interface Machine {
  readonly machine: string;
  readonly year: string;
  readonly note: string;
  readonly since: string;
  readonly boxes: readonly { readonly name: string; readonly shafts: readonly ShaftStory[] }[];
}

function leafOf([written, unit]: Leaf): JobFacts['builds'][number]['fits'][number]['leaves'][number] {
  const lot = otherLots.find((l) => l.written === written);
  return { lotId: lot?.id ?? null, thickness: unit === 'mm' ? mm(Number(written)) : thou(Number(written)), written, unit, count: 1 };
}

function told({ machine, year, note, since, boxes }: Machine): JobFacts {
  const jobId = newId();
  const facts: JobFacts = {
    job: { id: jobId, revision: 1, machine, year, note, createdAt: since, archivedAt: null },
    ...noFacts(),
  };
  boxes.forEach((box, position) => {
    const assemblyId = newId();
    facts.assemblies.push({ id: assemblyId, revision: 1, jobId, name: box.name, kind: 'box', position, mirrorOf: null, cameApart: false });
    for (const story of box.shafts) tellShaft(facts, assemblyId, story);
  });
  return facts;
}

export function tellShaft(facts: JobFacts, assemblyId: string, { name, template, place, as, limits, evenings }: ShaftStory): void {
  const made = newShaft({ assemblyId, name, template, place, gasket: false, position: facts.shafts.length, newId });
  facts.shafts.push({ ...made.shaft, revision: 1 });
  facts.parts.push(...made.parts.map((row) => ({ ...row, revision: 1 })));
  facts.places.push(...made.places.map((row) => ({ ...row, revision: 1 })));
  facts.features.push(...made.features.map((row) => ({ ...row, revision: 1 })));
  facts.contacts.push(...made.contacts.map((row) => ({ ...row, revision: 1 })));
  const method = as.kind === 'feelers' ? 'feelers' : 'dial';
  const stations = made.stations.map((row): Station => ({ ...row, revision: 1, ...(row.subject === 'gap' ? { method, instrument: as } : {}) }));
  facts.stations.push(...stations);
  const stationOf = (role: string): string => stations.find((s) => s.role === role)?.id ?? '';
  const placeOf = (role: string): string => made.places.find((p) => p.role === role)?.id ?? '';
  for (const [role, [written, unit]] of Object.entries(limits)) facts.limits.push(limit(stationOf(role), written, unit, 'p. 44'));
  for (const { when, stage, packs, said = {}, reads } of evenings) {
    const id = newId();
    const fits = [
      ...Object.entries(packs).map(([role, leaves]) => ({ id: newId(), placeId: placeOf(role), leaves: leaves.map(leafOf), state: null })),
      ...Object.entries(said).map(([role, state]) => ({ id: newId(), placeId: placeOf(role), leaves: [], state })),
    ];
    const parentId = facts.builds.findLast((b) => b.assemblyId === assemblyId)?.id ?? null;
    facts.builds.push({ id, assemblyId, parentId, stage, at: when, who: 'R. M.', label: '', feel: [], note: '', fits });
    for (const [role, text] of Object.entries(reads))
      facts.readings.push({
        id: newId(),
        stationId: stationOf(role),
        buildId: id,
        who: 'R. M.',
        takenAt: when,
        supersedes: null,
        keptAs: { value: null, words: text },
        raw: withUnderstood({ method, text, instrument: as, restsOn: method === 'dial' ? [{ item: 'dial', answer: 'square' }] : [] }),
      });
  }
}

export const mailVan = told({
  machine: 'Mail van',
  year: '1934',
  note: 'Ran with the layshaft knocking. The front hub had no shims at all on one side.',
  since: at(4, '10:00'),
  boxes: [
    {
      name: 'Gearbox',
      shafts: [
        {
          name: 'Layshaft',
          template: 'layshaft',
          place: 'inLine',
          as: INSTRUMENTS.feelersThou,
          limits: {
            'gap.cluster': ['7-12 thou', 'thou'],
            'gap.front': ['3-6 thou', 'thou'],
            'gap.rear': ['3-6 thou', 'thou'],
            'gap.stack': ['2-5 thou', 'thou'],
          },
          evenings: [
            {
              when: at(11, '19:10'),
              stage: 'as_found',
              packs: { packP: [['59', 'thou']], packQ: [['98', 'thou']] },
              reads: {
                'gap.cluster': 'goes 13 stops 14',
                'gap.front': 'goes 4½ stops 5½',
                'gap.rear': 'goes 8½ stops 9½',
                'gap.stack': 'goes 6½ stops 7½',
              },
            },
          ],
        },
      ],
    },
    {
      name: 'Right hub',
      shafts: [
        {
          name: 'Hub',
          template: 'hubByNut',
          place: 'betweenCones',
          as: INSTRUMENTS.dialThou,
          limits: { 'gap.float': ['1½-4 thou', 'thou'] },
          evenings: [
            {
              when: at(12, '18:00'),
              stage: 'as_found',
              packs: {
                pack: [
                  ['12', 'thou'],
                  ['9', 'thou'],
                ],
              },
              said: { 'nut.set': 'torqued' },
              reads: { 'gap.float': '40>48' },
            },
            {
              when: at(12, '18:40'),
              stage: 'dry',
              packs: {
                pack: [
                  ['9', 'thou'],
                  ['7', 'thou'],
                ],
              },
              reads: { 'gap.float': '51>54' },
            },
          ],
        },
      ],
    },
  ],
});

export const orchardCrawler = told({
  machine: 'Orchard crawler',
  year: '1951',
  note: 'Final drive whines. The snap ring was worn to a wedge.',
  since: at(9, '08:30'),
  boxes: [
    {
      name: 'Final drive',
      shafts: [
        {
          name: 'Top shaft',
          template: 'ballAndRing',
          place: 'inLine',
          as: INSTRUMENTS.dialMm,
          limits: { 'gap.float': ['0.02-0.10 mm', 'mm'] },
          evenings: [{ when: at(13, '20:00'), stage: 'as_found', packs: { pack: [['2.30', 'mm']] }, reads: { 'gap.float': '0.16' } }],
        },
      ],
    },
  ],
});
