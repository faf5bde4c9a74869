import { buildName } from '../builds.ts';
import type { Slot } from '../slots.ts';
import type { LadderRow } from './ladder.ts';
import type { Proof } from './proof.ts';
import { sized } from './sized.ts';

export interface Lesson {
  readonly words: string;
  readonly detail: string;
}

interface Taught {
  readonly proved: Proof | null;
  readonly adjuster: Slot | null;
  readonly unit: 'thou' | 'mm';
}

/** What the builds taught: which way the pack works, and what came of what was said. */
export function lessonsOf(rows: readonly LadderRow[], { proved, adjuster, unit }: Taught): Lesson[] {
  const lessons: Lesson[] = [];
  const more = (length: number): string => `${sized(length, unit)} ${unit}`;
  if (proved) {
    lessons.push({
      words: proved.contradiction ?? `Thicker gives ${proved.sense === 1 ? 'more' : 'less'} float. Proved.`,
      detail: `build ${proved.name ?? proved.build}: ${more(proved.packMoved)} ${proved.packMoved > 0 ? 'more' : 'less'} in gave ${more(proved.gapMoved)} ${proved.gapMoved > 0 ? 'more' : 'less'}`,
    });
  }
  for (const row of rows) {
    if (row.residual === null || row.reading?.kind !== 'estimate') continue;
    // what it was said from: the last build that was read, whatever was built and not read between
    const from = rows.slice(0, rows.indexOf(row)).findLast((each) => each.reading !== null);
    const others = from
      ? [...row.build.fitted.keys()].filter((id) => id !== adjuster?.id && row.build.fitted.get(id)?.state !== from.build.fitted.get(id)?.state)
      : [];
    const said = `build ${buildName(row.build)}: said ${sized(row.said ?? 0, unit)}, read ${sized(row.reading.value, unit)}`;
    if (others.length > 0 && Math.abs(row.residual) > 0)
      lessons.push({ words: `${row.residual < 0 ? 'Tightening closed it by' : 'It opened by'} ${more(row.residual)}.`, detail: said });
    else if (row.isNow)
      lessons.push({
        words:
          Math.abs(row.residual) <= (row.U ?? 0)
            ? `Build ${buildName(row.build)} agreed with its forecast.`
            : `Build ${buildName(row.build)} is ${more(row.residual)} ${row.residual < 0 ? 'under' : 'over'} its forecast: was it seated, torqued and turned?`,
        detail: said,
      });
  }
  return lessons;
}
