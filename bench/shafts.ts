import { nanometres, type SolverQuestion } from '@elder-cog/core';

const UM = 1_000;

/** A shaft of five slots of forty washers each, and three gaps that share them: the same for the same seed. Sizes invented. */
export function seededShaft(seed: number, { slots: slotCount = 5, washers = 40 } = {}): SolverQuestion {
  let state = (seed * 2_654_435_761 + 1) >>> 0;
  const next = (n: number): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return (state >>> 8) % n;
  };
  const slots = Array.from({ length: slotCount }, (_, s) => ({
    id: `s${s}`,
    choices: Array.from({ length: washers }, (_, c) => ({ id: `s${s}c${c}`, thickness: nanometres((2_500 + 2 * next(400)) * UM) })),
  }));
  const rows = [
    [1, -1, 0, 0, 1],
    [0, 1, -1, 1, 0],
    [-1, 0, 1, 0, -1],
  ];
  const gaps = rows.map((row, g) => {
    const middle = row.reduce((sum, c) => sum + c * 2_900, 0);
    const min = 40 + next(60);
    return {
      id: `g${g}`,
      constant: nanometres((100 + next(120) - middle) * UM),
      coefficients: Object.fromEntries(slots.map((slot, s) => [slot.id, row[s] ?? 0])),
      limits: { min: nanometres(min * UM), max: nanometres((min + 30 + next(40)) * UM) },
    };
  });
  return { gaps, slots, stock: Object.fromEntries(slots.flatMap((s) => s.choices.map((c) => [c.id, 1]))), keep: 3 };
}

/** The same question for an integer-programme solver: greatest margin, µm. */
export function shaftProgramme({ gaps, slots }: SolverQuestion): string {
  const term = (c: number, name: string): string => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${name}`;
  const rows = gaps.flatMap((g, i) => {
    const form = slots
      .flatMap((slot) =>
        slot.choices.flatMap(({ id, thickness }) =>
          (g.coefficients[slot.id] ?? 0) === 0 ? [] : [term(((g.coefficients[slot.id] ?? 0) * thickness) / UM, `x_${id}`)],
        ),
      )
      .join(' ');
    return [
      `low${i}: ${form} - t >= ${((g.limits.min ?? 0) - g.constant) / UM}`,
      `high${i}: ${form} + t <= ${((g.limits.max ?? 0) - g.constant) / UM}`,
    ];
  });
  const one = slots.map((slot) => `one_${slot.id}: ${slot.choices.map((c) => `+ 1 x_${c.id}`).join(' ')} = 1`);
  const binaries = slots.flatMap((s) => s.choices.map((c) => `x_${c.id}`)).join(' ');
  return `Maximize\n obj: t\nSubject To\n ${[...rows, ...one].join('\n ')}\nBounds\n -100000 <= t\nBinary\n ${binaries}\nEnd`;
}
