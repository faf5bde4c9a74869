import type { JobFacts } from '@elder-cog/contract';
import { formatLength, formatQuantity } from '@elder-cog/core';
import { buildName, packTotal, withdrawnIds } from './builds.ts';
import { derive } from './derive.ts';
import { boxOf } from './twins.ts';
import { dragValue } from './drag/index.ts';
import { isDragReading, readingComesTo } from './readingValue.ts';

/** One reading as a line of a spreadsheet. */
export interface ReadingLine {
  readonly taken: string;
  readonly by: string;
  readonly box: string;
  readonly shaft: string;
  readonly station: string;
  readonly build: string;
  readonly place: string;
  readonly method: string;
  readonly instrument: string;
  readonly entry: string;
  readonly kind: string;
  readonly thou: string;
  readonly mm: string;
  /** of a drag */
  readonly newtonMetres: string;
  readonly poundInches: string;
  readonly withdrawn: string;
  readonly why: string;
}

/** Every reading of a job in the order taken, those taken back too, each as entered and as it reckons in both systems. */
export function jobReadings(facts: JobFacts): ReadingLine[] {
  const gone = withdrawnIds(facts);
  const state = derive(facts);
  const stations = new Map(facts.stations.map((s) => [s.id, s]));
  const gaps = new Map(state.shafts.flatMap((s) => s.gaps.map((g) => [g.station.id, g] as const)));
  const builds = new Map(state.shafts.flatMap((s) => s.builds.map((b) => [`${s.shaft.id} ${b.build.id}`, b] as const)));
  const whys = new Map(facts.withdrawals.map((w) => [w.ofId, w.why]));
  return facts.readings.map((reading) => {
    const station = stations.get(reading.stationId);
    const shaft = facts.shafts.find((s) => s.id === station?.shaftId);
    const box = facts.assemblies.find((a) => station && a.id === boxOf(facts, station));
    const gap = gaps.get(reading.stationId);
    const build = builds.get(`${shaft?.id ?? ''} ${reading.buildId ?? ''}`);
    const adjuster = gap?.adjuster;
    const pack = packTotal(adjuster && build ? build.fitted.get(adjuster.id)?.leaves : null);
    const value = reading.raw.method === 'look' ? undefined : readingComesTo(reading.raw, { sense: gap?.pack?.sense ?? 0, pack })?.reading;
    const dragged = isDragReading(reading.raw) ? dragValue(reading.raw) : null;
    const drag = dragged && 'ok' in dragged ? dragged.ok.reading.value : null;
    const inUnit = (unit: string): string => (drag === null ? '' : formatQuantity(drag, unit, 4));
    return {
      taken: reading.takenAt,
      by: reading.who,
      box: box?.name ?? '',
      shaft: shaft?.name ?? '',
      station: station?.name ?? '',
      build: build ? buildName(build) : '',
      place: reading.raw.at ?? '',
      method: reading.raw.method,
      instrument: reading.raw.instrument?.name ?? '',
      entry: reading.raw.method === 'look' ? (reading.raw.answer ?? '') : reading.raw.text,
      kind: value?.kind === 'atLeast' ? 'at least' : value?.kind === 'atMost' ? 'at most' : value || drag !== null ? 'reading' : '',
      thou: value ? formatLength(value.value, 'thou', 3).replace('−', '-') : '',
      mm: value ? formatLength(value.value, 'mm', 4).replace('−', '-') : '',
      newtonMetres: inUnit('N·m'),
      poundInches: inUnit('lbf·in'),
      withdrawn: gone.has(reading.id) ? 'yes' : '',
      why: gone.has(reading.id) ? (whys.get(reading.id) ?? '') : '',
    };
  });
}
