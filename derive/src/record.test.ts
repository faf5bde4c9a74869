import { describe, expect, it } from '@jest/globals';
import { newRow, stripEntryOf, type JobFacts, type Station } from '@elder-cog/contract';
import { INSTRUMENTS, nanometres, readStripLine } from '@elder-cog/core';
import { journalWords, jobReadings, recordOf } from './index.ts';
import { Story } from './testing.ts';

const withdraw = (story: Story, ofKind: JobFacts['withdrawals'][number]['ofKind'], ofId: string, why = 'that was wrong'): string => {
  const id = story.id();
  story.facts.withdrawals.push({ id, ofKind, ofId, who: 'A. B.', at: '2026-03-01T10:00:00.000Z', why });
  return id;
};
const words = (story: Story): string[] => recordOf(story.facts, []).map((line) => line.words);

describe('the record of a job', () => {
  it('has readings and builds from the facts, newest first, whether or not there is a journal of them', () => {
    const story = new Story();
    story.build([20, 8]);
    story.read('88>12');
    expect(words(story)).toEqual([expect.stringMatching(/: 88>12$/), expect.stringMatching(/^Build: .*20 \+ 8/)]);
  });
  it('strikes through what was taken back, by whom and why, and not what was put back after', () => {
    const story = new Story();
    story.build([20]);
    const id = story.read('88>12');
    const withdrawal = withdraw(story, 'reading', id);
    const struck = () => recordOf(story.facts, []).find((line) => line.key === id)?.taken;
    expect(struck()).toMatchObject({ who: 'A. B.', why: 'that was wrong' });
    withdraw(story, 'withdrawal', withdrawal, 'undone');
    expect(struck()).toBeNull();
  });
  it('says what was taken back, of whatever kind', () => {
    const story = new Story();
    const jobId = story.facts.job.id;
    const text = 'Circlip, gap at 12';
    const read = readStripLine(text, 'thou');
    if (!read) throw new Error(text);
    const at = '2026-02-01T10:00:00.000Z';
    const [box] = story.facts.assemblies;
    const entry = stripEntryOf(read, { text, assemblyId: box?.id ?? '', shaftId: null, inventory: false, supersedes: null });
    story.facts.strip.push({ ...entry, id: story.id(), who: '', at });
    const said = { partType: 'selector', cleaned: true, findings: [], proposed: null, decision: 'reuse' as const, reason: '' };
    story.facts.inspections.push({ id: story.id(), jobId, stationId: null, part: 'Fork', ...said, who: '', at });
    story.facts.acceptances.push({ id: story.id(), stationId: story.station.id, kind: 'unmeasured', value: null, reason: 'no room', who: '', at });
    const file = { sha256: 'a'.repeat(64), mediaType: 'image/jpeg' as const, bytes: 1, width: 1, height: 1 };
    story.facts.photos.push({ id: story.id(), jobId, ofKind: 'strip', ofId: '', ...file, caption: 'Circlip', who: '', at });
    story.build([20]);
    const reading = story.read('88>12');
    const { builds, strip, inspections, acceptances, photos } = story.facts;
    withdraw(story, 'reading', reading);
    withdraw(story, 'build', builds[0]?.id ?? '');
    withdraw(story, 'strip', strip[0]?.id ?? '');
    withdraw(story, 'inspection', inspections[0]?.id ?? '');
    withdraw(story, 'acceptance', acceptances[0]?.id ?? '');
    withdraw(story, 'photo', photos[0]?.id ?? '');
    const taken = words(story).filter((w) => w.startsWith('Took back'));
    expect(taken).toHaveLength(6);
    for (const what of [
      'the reading 88>12',
      /the build: .*20/,
      'the entry of the strip log: Circlip, gap at 12',
      'what was decided of Fork: reuse',
      `the acceptance of ${story.station.name}`,
      'a photo of Circlip',
    ])
      expect(taken.join('\n')).toMatch(what);
  });
});

describe('the readings of a job, for a spreadsheet', () => {
  it('are each as entered and as it reckons in both systems, with the build they were taken in', () => {
    const story = new Story();
    story.build([20, 8]);
    story.read('88>12');
    story.build([15]);
    const second = story.read('goes 9', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    withdraw(story, 'reading', second, 'wrong leaf');
    expect(jobReadings(story.facts)).toMatchObject([
      { build: '0', method: 'dial', entry: '88>12', kind: 'reading', thou: '24.000', mm: '0.6096', withdrawn: '', why: '' },
      { build: '1', method: 'feelers', entry: 'goes 9', kind: 'at least', thou: '9.000', mm: '0.2286', withdrawn: 'yes', why: 'wrong leaf' },
    ]);
  });
  it('are said to be no figure where only looked at, or not understood any more', () => {
    const story = new Story();
    story.build([20]);
    const check = story.facts.stations.find((s) => s.subject === 'check');
    story.read('yes', { method: 'look', answer: 'yes', instrument: null }, check?.id);
    story.read('not a reading');
    expect(jobReadings(story.facts)).toMatchObject([
      { method: 'look', entry: 'yes', kind: '', thou: '', mm: '' },
      { entry: 'not a reading', kind: '', thou: '', mm: '' },
    ]);
  });
  it('say where on a part each was taken', () => {
    const story = new Story();
    const row = newRow({
      of: { shaftId: story.facts.shafts[0]?.id ?? '' },
      kind: 'journal',
      name: 'Pin',
      unit: 'mm',
      position: 100,
      newId: () => story.id(),
    });
    story.facts.stations.push({ ...row, revision: 1 });
    story.size(row.id, 'rear', '19.98', INSTRUMENTS.micMm);
    expect(jobReadings(story.facts)).toMatchObject([{ station: 'Pin', place: 'rear', method: 'size', mm: '19.9800' }]);
  });
  it('are told of many in the time of a few, not of their square', () => {
    const timed = (n: number): number => {
      const story = new Story();
      story.build([20]);
      for (let i = 0; i < n; i++) story.read('88>12');
      const runs = Array.from({ length: 7 }, () => {
        const start = performance.now();
        expect(jobReadings(story.facts)).toHaveLength(n);
        return performance.now() - start;
      });
      return Math.min(...runs);
    };
    // ten times as many: a square would be a hundred times as long
    expect(timed(2_000) / Math.max(timed(200), 2)).toBeLessThan(60);
  });
});

describe('what changed of a station', () => {
  it('says where its limits are aimed at in words and in millimetres, never in nanometres', () => {
    const story = new Story();
    const { station } = story;
    const changed = (aim: Station['aim']) =>
      journalWords('station.change', [{ table: 'station', id: station.id, before: { ...station }, after: { ...station, aim } }], story.facts);
    expect(changed({ at: 'value', value: nanometres(62_280_800) })).toMatchObject({ from: 'the middle of its limits', to: '62.281 mm' });
    expect(changed({ at: 'tight', closesBy: nanometres(-96_520) })).toMatchObject({
      to: 'the least of its limits, and 0.097 mm that is still to open',
    });
  });
});
