import type { Fitting, FitPart, JobFacts, Making, Pass, Stock } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type Length } from '@elder-cog/core';
import { derive, madeWindow } from '@elder-cog/derive';
import { at, newId } from './ids.ts';
import { jobId } from './machine.ts';

/** What the made-up workshop cuts from, and what it is making and fitting. */

const sheet = (material: string, written: string, thickness: Length, more: Partial<Stock> = {}): Stock => ({
  id: newId(),
  revision: 1,
  form: 'shim',
  material,
  thickness,
  width: mm(300),
  outside: null,
  bore: null,
  length: mm(150),
  written,
  unit: 'thou',
  owned: 1,
  canBuy: false,
  keptIn: 'rack, left',
  note: '',
  ...more,
});

export const stock: readonly Stock[] = [
  sheet('brass', '12', thou(12)),
  sheet('steel', '0.30', mm(0.3), { unit: 'mm', owned: 2 }),
  sheet('brass', '15', thou(15)),
  sheet('brass', '8', thou(8), { owned: 0, canBuy: true, keptIn: '' }),
  { ...sheet('phosphor bronze', '1 1/4', thou(10)), form: 'bar', thickness: null, width: null, outside: mm(31.75), length: mm(180), unit: 'in' },
];

/** A shim for the first gap that a pack is wanted for, half-way to its size. */
export function makingOf(facts: JobFacts): { readonly makings: Making[]; readonly passes: Pass[] } {
  const gap = derive(facts)
    .shafts.flatMap((shaft) => shaft.gaps)
    .find(({ pack }) => pack?.known === true && pack.window !== null && madeWindow(pack.window) !== null);
  const window = gap?.pack?.window && madeWindow(gap.pack.window);
  if (!gap?.pack || !window) return { makings: [], passes: [] };
  const making: Making = {
    id: newId(),
    revision: 1,
    jobId,
    name: 'Shim under the cover',
    form: {
      kind: 'shim',
      sizes: { inner: mm(64.5), outer: mm(94), thickness: window.ideal, holeDiameter: mm(8.6), holeCircle: mm(79) },
      counts: { holes: 6 },
    },
    placeId: gap.pack.slot.id,
    gapId: gap.station.id,
    sizeId: null,
    window: { ...window, from: gap.now.kept.at(-1)?.id ?? null },
    beside: [],
    material: 'brass',
    blank: { size: thou(12), written: '12', unit: 'thou' },
    process: 'lap',
    state: 'open',
    lotId: null,
    note: '',
    who: 'J. T.',
    at: at(13, '19:00'),
  };
  const pass = (effort: number, readings: readonly number[], time: string): Pass => ({
    id: newId(),
    makingId: making.id,
    effort,
    readings: readings.map(thou),
    written: readings.map((each) => each.toFixed(1)).join(' '),
    instrument: INSTRUMENTS.micInch,
    who: 'J. T.',
    at: at(13, time),
  });
  return {
    makings: [making],
    passes: [pass(0, [12, 12, 12.1], '19:10'), pass(10, [11.7, 11.6, 11.7], '19:20'), pass(12, [11.3, 11.3, 11.2], '19:30')],
  };
}

const part = (what: string, material: string, kind: FitPart['kind'], outside: number, bore: number | null): FitPart => ({
  what,
  material,
  kind,
  also: [],
  outside: mm(outside),
  bore: bore === null ? null : mm(bore),
  roughness: mm(0.0063),
  weight: null,
  temperature: null,
});

export const fittings: readonly Fitting[] = [
  {
    id: newId(),
    revision: 1,
    jobId,
    name: 'Idler bush, front',
    outer: part('gear', 'case-hardened gear steel', 'caseHardened', 46, 23.8),
    inner: part('bush', 'phosphor bronze', 'plain', 23.835, 20.4),
    length: mm(24),
    journal: mm(20.56),
    clearance: { min: mm(0.03), max: mm(0.05), written: '0.03-0.05 mm', unit: 'mm' },
    ease: null,
    ambient: 14,
    humidity: 70,
    heating: 'oven',
    working: 75,
    note: '',
  },
];
