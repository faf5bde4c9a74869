/** Its limits, a page of its manual, and what else was said. */
import { type JobFacts, type Spec } from '@elder-cog/contract';
import { parseLimits, readSpecLine, type Length } from '@elder-cog/core';
import { newId, at } from './ids.ts';
import { jobId, float, idlerFloat } from './machine.ts';

export const limit = (stationId: string, written: string, unit: 'thou' | 'mm' | 'in', page: string): JobFacts['limits'][number] => {
  const { min = null, max = null } = parseLimits(written, unit);
  return {
    id: newId(),
    revision: 1,
    stationId,
    min: min ?? (max !== null ? (0 as Length) : null),
    max,
    written,
    unit,
    source: 'manual',
    pageOrWhom: page,
    saidAt: '',
    working: '',
    specId: null,
    inUse: true,
  };
};

// a page of the manual, a letter that says otherwise, and something told
export const specs: Spec[] = [];
export const printed = (text: string, from: Partial<Spec> & Pick<Spec, 'source' | 'pageOrWhom'>): Spec => {
  const line = readSpecLine(text);
  const read = line.state === 'understood' ? line : null;
  const row: Spec = {
    id: newId(),
    revision: 1,
    jobId,
    position: specs.length,
    text,
    name: line.state === 'understood' || line.state === 'ask' ? line.name : text,
    quantity: read?.limits.kind ?? null,
    min: read?.limits.min ?? null,
    max: read?.limits.max ?? null,
    unit: read?.limits.unit ?? '',
    written: line.state === 'understood' || line.state === 'ask' ? line.written : '',
    remark: read?.remark ?? '',
    saidAt: '',
    stationId: null,
    leftOut: false,
    who: 'J. T.',
    at: at(5, '20:10'),
    ...from,
  };
  specs.push(row);
  return row;
};
export const manual = (page: string, stationId: string | null = null) => ({ source: 'manual' as const, pageOrWhom: page, stationId });
export const pageLimits = [
  [printed('Input shaft end float ..... 5-8 thou', manual('p. 31', float.id)), true],
  [printed('Idler gear float 8-12 thou', manual('p. 33', idlerFloat.id)), true],
  [
    printed('Idler float 7-10 thou, second type', { source: 'manual', pageOrWhom: 'service letter 12', saidAt: '1961', stationId: idlerFloat.id }),
    false,
  ],
] as const;
printed('Cover bolts 18-22 lb ft', manual('p. 31'));
printed('Input shaft drag 8/12 lb ins', manual('p. 31'));
printed('Coupling run out max .003', manual('p. 32'));
printed('Oil, transfer box 3½ pints (1.99 litres)', manual('p. 9'));
printed('Output gear end play 2 to 5', manual('p. 34'));
printed('Oil pump end float 2-3 thou', { source: 'told', pageOrWhom: 'an old fitter', saidAt: '1998' });
