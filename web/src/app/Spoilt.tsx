import type { JobFacts } from '@elder-cog/contract';
import type { JSX } from 'react';
import { Heading } from '../kit/controls.tsx';
import { BackToTheShelf } from './Nowhere.tsx';

const COUNTED: readonly (readonly [keyof JobFacts, one: string, more: string])[] = [
  ['shafts', 'shaft', 'shafts'],
  ['stations', 'station', 'stations'],
  ['readings', 'reading', 'readings'],
  ['builds', 'build', 'builds'],
  ['limits', 'limit', 'limits'],
  ['strip', 'entry of the strip log', 'entries of the strip log'],
  ['photos', 'photo', 'photos'],
];

/** A machine of which nothing can be reckoned: what there is of it, its files, and what to do. */
export function Spoilt({ facts, why }: { facts: JobFacts; why: string }): JSX.Element {
  const counts = COUNTED.map(([table, one, more]) => [(facts[table] as readonly unknown[]).length, one, more] as const).filter(([n]) => n > 0);
  const link = 'flex min-h-12 items-center border border-edge bg-sheet px-4 no-underline';
  return (
    <main className="max-w-2xl p-6">
      <h1 className="label m-0 text-[22px] font-semibold">
        <span translate="no">{facts.job.machine}</span> {facts.job.year}
      </h1>
      <p className="border-l-4 border-blue bg-band px-3 py-2">
        Nothing can be reckoned from its entries: one of them contradicts the others. They are all kept, and nothing else in the workshop is touched
        by it.
      </p>
      <Heading>What there is of it</Heading>
      <ul>
        {counts.map(([n, one, more]) => (
          <li key={one}>
            <span className="num">{n}</span> {n === 1 ? one : more}
          </li>
        ))}
      </ul>
      <Heading>What to do</Heading>
      <p>
        Undo what was entered last, if that is when it began. Or save it as a file and have somebody look at it; or go back to a backup of a day when
        it was whole, in Workshop.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <a href={`/api/jobs/${facts.job.id}/file`} download className={link}>
          Save as a file
        </a>
        <a href={`/api/jobs/${facts.job.id}/file?bare=yes`} download className={link}>
          As plain JSON, no photos
        </a>
        <BackToTheShelf />
      </div>
      <p className="num mt-4 text-[15px] text-ink2 [overflow-wrap:anywhere]">{why}</p>
    </main>
  );
}
