import { formatLength } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';
import { format } from 'date-fns';
import { memo, useState, type JSX } from 'react';
import { Quiet, Refusal } from '../../kit/controls.tsx';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { useSettings } from '../../state/settings.ts';

/** Readings kept on this build, with their range; one tap takes one back, struck through and kept. */
/** Drawn again when the gap is another, and not at every key: there may be a hundred of them. */
export const Seen = memo(function Seen({ gap }: { gap: GapState }): JSX.Element | null {
  const unit = useSettings((s) => s.unit);
  const [each, setEach] = useState(false);
  const words = gap.now.kept.map((k) =>
    k.value ? k.value.values.map((v) => formatLength(v, unit).replace(/\.0$/, '')).join(' ') || k.text : k.text,
  );
  const struck = gap.now.struck.map((each) => (
    <span key={each.id} className="block text-[15px] text-ink2">
      <s className="num">{each.text}</s> taken back{each.why === '' ? '' : `: ${each.why}`}
    </span>
  ));
  if (gap.now.kind !== 'read')
    return (
      <>
        {struck.length > 0 && <p className="m-0 mt-1">{struck}</p>}
        <Spoilt gap={gap} />
        {gap.now.kind === 'none' && gap.now.kept.length > 0 && <Each gap={gap} />}
      </>
    );
  return (
    <>
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
        {struck}
      </p>
      <Spoilt gap={gap} />
      <p className="m-0">
        <Quiet onClick={() => setEach((e) => !e)} aria-expanded={each}>
          each reading ▸
        </Quiet>
      </p>
      {each && <Each gap={gap} />}
    </>
  );
});

/** What was kept and not counted, each with why. */
function Spoilt({ gap }: { gap: GapState }): JSX.Element {
  const spoilt = gap.now.kept.filter((k) => k.notCounted !== null);
  return (
    <>
      {spoilt.map((k) => (
        <p key={k.id} className="m-0 text-[16px]">
          <Refusal>
            <span className="num">{k.text}</span> is kept, and not counted: {k.notCounted}.
          </Refusal>
        </p>
      ))}
    </>
  );
}

/** Every reading by itself, as it was typed, to be taken back any time. */
function Each({ gap }: { gap: GapState }): JSX.Element {
  return (
    <ul className="m-0 list-none p-0" aria-label="Each reading">
      {gap.now.kept.map((k) => (
        <li key={k.id} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-t border-rule">
          <span>
            <span className="num text-[18px]">{k.text}</span>{' '}
            <span className="text-[15px] text-ink2">{format(new Date(k.takenAt), 'd MMM HH:mm')}</span>
          </span>
          <TakeBack id={k.id} what={k.text} />
        </li>
      ))}
    </ul>
  );
}
