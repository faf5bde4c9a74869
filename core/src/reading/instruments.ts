import { inch, isMetric, mm, thou } from '../quantity/index.ts';
import type { Instrument } from './instrument.ts';

/**
 * Typical instruments, so that a newcomer has one to begin with. Steps are what is engraved; repeatability and scale doubt
 * are typical of sound workshop instruments, from memory and with no source: a dial repeats to about a third of a division.
 */
export const INSTRUMENTS = {
  dialThou: {
    kind: 'dial',
    name: 'Dial, 1 thou',
    unit: 'thou',
    resolution: thou(1),
    calibrationU: thou(0.1),
    priorS: thou(0.3),
    divisions: 100,
    direction: 'clockwise',
  },
  dialMm: {
    kind: 'dial',
    name: 'Dial, 0.01 mm',
    unit: 'mm',
    resolution: mm(0.01),
    calibrationU: mm(0.002),
    priorS: mm(0.003),
    divisions: 100,
    direction: 'clockwise',
  },
  feelersThou: { kind: 'feelers', name: 'Feelers, thou', unit: 'thou', resolution: thou(1), calibrationU: thou(0.1), priorS: thou(0.3) },
  feelersMm: { kind: 'feelers', name: 'Feelers, mm', unit: 'mm', resolution: mm(0.05), calibrationU: mm(0.003), priorS: mm(0.01) },
  depthInch: { kind: 'depth', name: 'Depth micrometer, inch', unit: 'in', resolution: inch(0.001), calibrationU: inch(0.0002), priorS: inch(0.0003) },
  depthMm: { kind: 'depth', name: 'Depth micrometer, mm', unit: 'mm', resolution: mm(0.01), calibrationU: mm(0.003), priorS: mm(0.005) },
  micInch: { kind: 'micrometer', name: 'Micrometer, inch', unit: 'in', resolution: inch(0.0001), calibrationU: inch(0.00005), priorS: inch(0.00005) },
  micMm: { kind: 'micrometer', name: 'Micrometer, mm', unit: 'mm', resolution: mm(0.01), calibrationU: mm(0.002), priorS: mm(0.002) },
  boreInch: { kind: 'bore gauge', name: 'Bore gauge, inch', unit: 'in', resolution: inch(0.0001), calibrationU: inch(0.0001), priorS: inch(0.0001) },
  boreMm: { kind: 'bore gauge', name: 'Bore gauge, mm', unit: 'mm', resolution: mm(0.01), calibrationU: mm(0.003), priorS: mm(0.003) },
  caliperInch: { kind: 'caliper', name: 'Caliper, inch', unit: 'in', resolution: inch(0.001), calibrationU: inch(0.0005), priorS: inch(0.0005) },
  caliperMm: { kind: 'caliper', name: 'Caliper, mm', unit: 'mm', resolution: mm(0.02), calibrationU: mm(0.01), priorS: mm(0.01) },
} as const satisfies Readonly<Record<string, Instrument>>;

/**
 * The typical instruments of some kinds that read in one system.
 *
 * @example instrumentsFor(['caliper'], 'mm')[0].name // 'Caliper, mm'
 */
export const instrumentsFor = (kinds: readonly Instrument['kind'][], system: 'thou' | 'mm'): readonly Instrument[] =>
  Object.values(INSTRUMENTS).filter(({ kind, unit }) => kinds.includes(kind) && isMetric(unit) === (system === 'mm'));

export type InstrumentName = keyof typeof INSTRUMENTS;
