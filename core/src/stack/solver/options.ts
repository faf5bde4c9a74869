import type { SolverSlot } from './question.ts';

/** One way of filling a slot: so many of each choice. */
export interface Option {
  readonly ids: readonly string[];
  readonly total: number;
  /** how many of them are not in it now */
  readonly fresh: number;
}

/** Every way of filling a slot from what there is, thinnest first. */
export function optionsOf(
  { choices, fitted = [], least = 1, most = 1, isFixed = false }: SolverSlot,
  stock: Readonly<Record<string, number>>,
): Option[] {
  if (isFixed) {
    const thickness = new Map(choices.map((choice) => [choice.id, choice.thickness]));
    return [{ ids: fitted, total: fitted.reduce((sum, id) => sum + (thickness.get(id) ?? 0), 0), fresh: 0 }];
  }
  const options: Option[] = [];
  const seen = new Set<string>();
  const add = (ids: readonly string[], total: number): void => {
    const key = [...ids].sort().join(' ');
    if (seen.has(key)) return;
    seen.add(key);
    const here = [...fitted];
    let fresh = 0;
    for (const id of ids) {
      const at = here.indexOf(id);
      if (at < 0) fresh += 1;
      else here.splice(at, 1);
    }
    options.push({ ids, total, fresh });
  };
  const choose = (from: number, ids: readonly string[], total: number): void => {
    if (ids.length >= least) add(ids, total);
    if (ids.length === most) return;
    for (let i = from; i < choices.length; i++) {
      const choice = choices[i];
      if (!choice || ids.filter((id) => id === choice.id).length >= (stock[choice.id] ?? 0)) continue;
      choose(i, [...ids, choice.id], total + choice.thickness);
    }
  };
  choose(0, [], 0);
  return options.sort((a, b) => a.total - b.total || a.fresh - b.fresh);
}
