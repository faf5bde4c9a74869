import { quantityUnitWord, twoSystems, type QuantityLimits, type SpecLine } from '@elder-cog/core';
import { type JSX } from 'react';
import { formatIn } from './SheetTable.tsx';

/** What one line is understood as, in both systems, or why not. */
export function LineSays({ line, as }: { line: string; as: SpecLine }): JSX.Element {
  if (as.state === 'words') return <span className="label font-semibold">{line}</span>;
  if (as.state === 'notUnderstood')
    return (
      <>
        <span className="num text-[15px]">{line}</span> <span className="block text-[15px] leading-5">{as.because}</span>
      </>
    );
  const both = (limits: QuantityLimits): string => {
    const { imperial, metric } = twoSystems(limits);
    return imperial === metric
      ? `${formatIn(limits, metric)} ${quantityUnitWord(metric)}`
      : `${formatIn(limits, imperial)} ${quantityUnitWord(imperial)} · ${formatIn(limits, metric)} ${quantityUnitWord(metric)}`;
  };
  return (
    <span className="flex flex-wrap items-baseline justify-between gap-x-3">
      <span className="font-medium">{as.name}</span>
      <span className="num text-[16px]">{as.state === 'understood' ? both(as.limits) : `${as.meanings.map(both).join('  or  ')}?`}</span>
    </span>
  );
}
