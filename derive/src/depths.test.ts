import { describe, expect, it } from '@jest/globals';
import { newDepth } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type Instrument } from '@elder-cog/core';
import { depthsOf, derive, summary, type GapState } from './index.ts';
import { Story } from './testing.ts';

const { depthMm, caliperMm } = INSTRUMENTS;

const NO_FACE = { id: '', side: 'in' } as const;

/** A pinion whose depth shim is behind its head cone, with its depth read; and one more depth, between two faces that no shim moves. */
function pinion() {
  const story = new Story({ template: 'pinionByNut', place: 'behindCone', limits: '2-4 thou' });
  const shim = story.slot('depthShim');
  story.fit({ pack: 20, depthShim: 35 });
  const station = story.facts.stations.find((s) => s.subject === 'depth');
  if (!station) throw new Error('no depth');
  const read = (text: string, by: Instrument = depthMm): string => story.read(text, { method: 'size', instrument: by }, station.id);
  const limit = (text: string): void => story.limit(text, station.id, 'mm');
  const depth = (): GapState | undefined => {
    const [shaft] = derive(story.facts).shafts;
    return shaft && depthsOf(story.facts, shaft)[0];
  };
  return { story, shim, read, limit, depth };
}

describe('how far a face is below another', () => {
  it('is read as it is typed, less a parallel where one was laid across, and judged by its limits', () => {
    const { read, limit, depth } = pinion();
    expect(depth()?.now.kind).toBe('none');
    limit('24.30-24.40 mm');
    read('34.36 - 10');
    expect(depth()?.now).toMatchObject({ kind: 'read', reading: { value: mm(24.36) } });
    expect(depth()?.verdict).toMatchObject({ place: 'in' });
  });
  it('is moved by the shim that sets it, and by no other: what was read is carried over, and not believed', () => {
    const { story, shim, read, depth } = pinion();
    read('24.36');
    story.build([24]);
    expect(depth()?.now).toMatchObject({ kind: 'read', reading: { value: mm(24.36) } });
    story.fit({ depthShim: 38 });
    const moved = depth();
    // behind the head cone, thicker puts the pinion farther from the seat
    expect(moved?.now.kind).toBe('forecast');
    expect(Math.abs((moved?.now.reading?.value ?? 0) - mm(24.36))).toBe(thou(3));
    expect(moved?.adjuster?.id).toBe(shim);
  });
  it('by two instruments is weighed together where they agree, and both stand where they do not', () => {
    const agree = pinion();
    agree.read('24.36');
    agree.read('24.38', caliperMm);
    expect(agree.depth()?.now).toMatchObject({ kind: 'read', disagree: null });
    expect(agree.depth()?.now.methods).toHaveLength(2);
    const differ = pinion();
    differ.read('24.36');
    differ.read('24.60', caliperMm);
    expect(differ.depth()?.now.disagree).not.toBeNull();
    expect(differ.depth()?.now.because).toContain('Two methods disagree');
  });
  it('proud is less than nothing', () => {
    const { read, limit, depth } = pinion();
    limit('-0.05 to 0.05 mm');
    read('-0.03');
    expect(depth()?.now.reading?.value).toBe(mm(-0.03));
    expect(depth()?.verdict?.place).toBe('in');
  });
  it('is measured into the body, away from the end its datum looks to: shims behind a cup bring it up, and the depth comes down', () => {
    const story = new Story({ template: 'taperPair', place: 'behindCup', limits: '2-4 thou' });
    story.build([20]);
    const face = (role: string) => story.facts.places.flatMap((p) => p.faces).find((f) => f.role === role) ?? NO_FACE;
    const [shaft] = story.facts.shafts;
    const made = newDepth(
      shaft?.id ?? '',
      { name: 'Cup below the face', from: face('casing.face'), to: face('cupIn.back'), position: 20, instrument: depthMm },
      () => story.id(),
    );
    story.facts.stations.push({ ...made, revision: 1 });
    story.read('24.36', { method: 'size', instrument: depthMm }, made.id);
    story.build([23]);
    const [state] = derive(story.facts).shafts;
    const [depth] = state ? depthsOf(story.facts, state) : [];
    expect(depth?.now).toMatchObject({ kind: 'forecast', reading: { value: mm(24.36) - thou(3) } });
  });
  it('may be put down between any two faces', () => {
    const { story } = pinion();
    const [shaft] = story.facts.shafts;
    const faces = story.facts.places.flatMap((p) => p.faces);
    const made = newDepth(
      shaft?.id ?? '',
      { name: 'Seal below the nose', from: faces[0] ?? NO_FACE, to: faces[1] ?? NO_FACE, position: 21, instrument: depthMm },
      () => story.id(),
    );
    story.facts.stations.push({ ...made, revision: 1 });
    const [state] = derive(story.facts).shafts;
    expect(state && depthsOf(story.facts, state).map(({ station }) => station.name)).toEqual(['Pinion depth', 'Seal below the nose']);
  });
});

describe('a depth that has limits', () => {
  it('is judged with its shaft: nothing is done while it is not right, and the shim that sets it is said', () => {
    const { story, read, limit } = pinion();
    const now = () => derive(structuredClone(story.facts));
    for (const floats of story.facts.limits) floats.inUse = false;
    story.limit('1-6 thou');
    story.read('3');
    expect(now().shafts[0]).toMatchObject({ mark: 'in' });
    expect(now().shafts[0]).not.toHaveProperty('depths');
    expect(now().next.what).not.toBe('read');
    limit('62.28-62.38 mm');
    expect(now()).toMatchObject({ next: { what: 'read', words: 'Read the pinion depth.' }, marks: { section: 'unmeasured', bench: 'unmeasured' } });
    // by hand: 62.43 is 0.10 over the middle, and a thicker shim takes off as much: 35 thou, 0.889, and 0.10 is 0.989, 38.9 thou
    read('62.43');
    expect(now()).toMatchObject({
      marks: { section: 'loose' },
      next: { what: 'fit', words: 'Change the shim behind the head cone: 0.989 mm wanted.', detail: '0.939 to 1.039 lands inside; 0.889 is in.' },
    });
    expect(summary(story.facts).worst).toMatchObject({ mark: 'loose', name: 'Pinion depth', isDepth: true });
    expect(now().lastReadings[0]).toMatchObject({ name: 'Pinion depth', mark: 'loose' });
    story.fit({ depthShim: 39 });
    // 39 instead of 35: 0.1016 less
    expect(now().next).toMatchObject({
      what: 'readAgain',
      words: 'Read the pinion depth again.',
      detail: 'Fitted: 39. It was said to come to 62.328 mm. Nothing has been read since.',
    });
    read('62.33');
    expect(now()).toMatchObject({ shafts: [{ mark: 'in' }], marks: { section: 'in' } });
    expect(['check', 'done']).toContain(now().next.what);
  });
  it('waits till each float was read once, and comes before it is set', () => {
    const { story, read, limit } = pinion();
    limit('62.28-62.38 mm');
    expect(derive(structuredClone(story.facts)).next.words).toBe('Read the input shaft bearing float.');
    story.read('12');
    expect(derive(structuredClone(story.facts)).next.words).toBe('Read the pinion depth.');
    read('62.33');
    expect(derive(structuredClone(story.facts)).next).toMatchObject({ what: 'fit', words: expect.stringContaining('Change the pack') as unknown });
  });
  it('that nobody can be sure of keeps no float waiting', () => {
    const { story, read, limit } = pinion();
    // narrower than a depth micrometer can tell
    limit('62.325-62.335 mm');
    story.read('12');
    read('62.33');
    const now = () => derive(structuredClone(story.facts));
    expect(now().shafts[0]?.depths?.[0]?.mark).toBe('cannotTell');
    expect(now().next).toMatchObject({ what: 'fit', words: expect.stringContaining('Change the pack') as unknown });
  });
});
