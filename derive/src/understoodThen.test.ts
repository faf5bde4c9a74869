import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { upgradeFile, withUnderstood, workshopFile, type RawReading } from '@elder-cog/contract';
import { INSTRUMENTS, readEntry, thou, ZERO, type Length } from '@elder-cog/core';
import fc from 'fast-check';
import { derive, readingValue, type JobState } from './index.ts';

const fixture = (name: string): unknown => JSON.parse(readFileSync(new URL(`../../contract/fixtures/${name}`, import.meta.url), 'utf8'));

/** What is said of every gap, row and pair of a job: its mark, its place and how sure, and what was read. */
function saidOf(state: JobState): unknown[] {
  return state.shafts.flatMap((shaft) => [
    ...shaft.gaps.map((gap) =>
      said(
        gap,
        gap.ladder.map((row) => row.reading?.value ?? null),
      ),
    ),
    ...shaft.features.map((feature) => said(feature, feature.now)),
    ...shaft.pairs.map((pair) => said(pair, pair.clearance?.greatest ?? null)),
  ]);
}
type Judged = Pick<JobState['shafts'][number]['gaps'][number], 'station' | 'mark' | 'verdict'>;
const said = ({ station, mark, verdict }: Judged, value: Length | null | (Length | null)[]) => ({
  name: station.name,
  mark,
  place: verdict?.place ?? null,
  sure: verdict?.sure ?? null,
  value,
});

describe('a file from before what was understood was kept', () => {
  it('says of every gap, row and pair what was said of it then', () => {
    const [facts] = workshopFile.parse(upgradeFile(fixture('workshop-v4.json'))).jobs;
    const then = fixture('verdicts-v4.json') as { name: string }[];
    const now = facts ? saidOf(derive(facts)) : [];
    expect(now.length).toBe(15);
    for (const each of now) expect(then).toContainEqual(each);
  });
  it('reckons every reading to what its reader of the day made of it', () => {
    const figure = fc.oneof(fc.integer({ min: 1, max: 99 }).map(String), fc.constantFrom('23½', '.0125', '0.30', '9/64', '2.5 mm', '12 thou'));
    const entries = fc.oneof(
      figure,
      fc.array(figure, { minLength: 2, maxLength: 4 }).map((all) => all.join(' ')),
      fc.tuple(fc.integer({ min: 0, max: 99 }), fc.constantFrom('<', '>'), fc.integer({ min: 0, max: 99 })).map((parts) => parts.join('')),
      fc.tuple(figure, figure).map(([goes, stops]) => `goes ${goes} stops ${stops}`),
    );
    const instruments = fc.constantFrom(INSTRUMENTS.dialThou, INSTRUMENTS.dialMm, INSTRUMENTS.feelersThou, INSTRUMENTS.micInch, {
      ...INSTRUMENTS.dialThou,
      stemAngle: 20,
      zeroError: thou(2),
    });
    fc.assert(
      fc.property(entries, instruments, (text, instrument) => {
        const raw: RawReading = withUnderstood({ method: 'dial' as const, text, instrument, restsOn: [] });
        const now = readingValue(raw, { sense: 0, pack: ZERO });
        try {
          const { reading, values } = readEntry(text, instrument);
          expect(now).toMatchObject({ ok: { reading, values } });
        } catch {
          expect(raw.understood).toBeNull();
          expect(now).toMatchObject({ refusal: { code: 'notUnderstood' } });
        }
      }),
    );
  });
});
