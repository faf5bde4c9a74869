import { formatLength } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';
import { memo, type JSX } from 'react';
import { Refusal } from '../../kit/controls.tsx';
import { useSettings } from '../../state/settings.ts';

/** Readings kept on this build, with their range; one tap takes one back, struck through and kept. */
/** Drawn again when the gap is another, and not at every key: there may be a hundred of them. */
export const Seen = memo(function Seen({ gap }: { gap: GapState }): JSX.Element | null {
  const unit = useSettings((s) => s.unit);
  const words = gap.now.kept.map((k) =>
    k.value ? k.value.values.map((v) => formatLength(v, unit).replace(/\.0$/, '')).join(' ') || k.text : k.text,
  );
  const struck = gap.now.struck.map((each) => (
    <span key={each.id} className="block text-[15px] text-ink2">
      <s className="num">{each.text}</s> taken back{each.why === '' ? '' : `: ${each.why}`}
    </span>
  ));
  if (gap.now.kind !== 'read') return struck.length > 0 ? <p className="m-0 mt-1">{struck}</p> : null;
  return (
    <p className="m-0 mt-1 text-[16px]">
      {gap.now.methods.map((each) => (
        <span key={each.name} className="block">
          <span className="text-ink2">{each.name} </span>
          <span className="num text-[18px]">{formatLength(each.reading.value, unit)}</span>
        </span>
      ))}
      <span className="text-ink2">Seen </span>
      <span className="num text-[20px]">{words.join(' ')}</span>
      {gap.now.range !== null && (
        <>
          <span className="text-ink2"> · range </span>
          <span className="num text-[20px]">{formatLength(gap.now.range, unit).replace(/\.0$/, '')}</span>
        </>
      )}
      {gap.now.kept.some((k) => k.value?.drifted) && (
        <span className="block">
          <Refusal>One did not come back to where it began: the stand moved. It is kept, and not counted.</Refusal>
        </span>
      )}
      {struck}
    </p>
  );
});
