import type { CheckState, ShaftState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Heading } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { keepReading, onBuild } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';

const SAYS: Readonly<Record<string, string>> = {
  'check.home': 'cooled, a feeler refused',
  'check.ring': 'all the way round',
  'check.free': 'both ways, seated',
};

/** Half of what goes wrong has no number: looked at, yes or no, and stale when the build changes. */
export function Checks({ shaft }: { shaft: ShaftState }): JSX.Element | null {
  const { send } = useCommand();
  const { facts } = useJob();
  if (shaft.checks.length === 0) return null;
  const say = (check: CheckState, answer: 'yes' | 'no'): void => {
    void send(
      ...onBuild(shaft, facts, (buildId) =>
        keepReading(check.station, buildId, { method: 'look', text: answer, understood: null, instrument: null, answer, restsOn: [] }, null, answer),
      ),
    ).catch(() => undefined);
  };
  return (
    <section aria-label="Checks" className="border-t border-rule px-4 py-2">
      <Heading className="sr-only">Checks with no number</Heading>
      <div className="grid grid-cols-3 gap-x-4 max-md:grid-cols-1">
        {shaft.checks.map((check) => {
          const yes = check.answer === 'yes' && !check.stale;
          return (
            <div key={check.station.id} className="flex items-center gap-3">
              <button
                type="button"
                role="checkbox"
                aria-checked={yes}
                onClick={() => say(check, yes ? 'no' : 'yes')}
                className="flex min-h-14 flex-1 items-center gap-3 text-left"
              >
                <span
                  aria-hidden="true"
                  className={`flex h-7 w-7 shrink-0 items-center justify-center border-2 text-[18px] ${yes ? 'border-ink bg-ink text-sheet' : 'border-edge bg-sheet'}`}
                >
                  {yes ? '✓' : ''}
                </span>
                <span className="min-w-0">
                  <span className="block leading-5 font-medium">{check.station.name}</span>
                  <span className={`block text-[14px] leading-5 ${check.answer === 'no' ? 'font-medium text-tight' : 'text-ink2'}`}>
                    {check.answer === 'no' ? 'looked: no' : check.stale ? 'stale: the build has changed' : (SAYS[check.station.role] ?? '')}
                  </span>
                </span>
              </button>
            </div>
          );
        })}
      </div>
    </section>
  );
}
