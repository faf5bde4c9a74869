import type { LookAlike } from '@elder-cog/contract';
import { describeLength, lookAlikeShapes, otherUnit } from '@elder-cog/core';
import type { JSX } from 'react';
import { Photos } from '../../kit/Photos.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

/** Two that nearly match, side by side, with the tell between them. */
export function LookAlikeView({ lookAlike, photos = false }: { lookAlike: LookAlike; photos?: boolean }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { a, b, form, tell } = lookAlike;
  const most = Math.max(a.size ?? 0, b.size ?? 0, 1);
  const share = (part: LookAlike['a']): number => (part.size === null ? 1 : part.size / most);
  const drawn = (part: LookAlike['a']) => ({ name: part.name, goes: part.goes, marks: part.marks, tang: part.tang, share: share(part) });
  const height = 168;
  return (
    <div ref={ref} className="mt-2 w-full border border-edge bg-sheet">
      {width > 60 && (
        <Shapes
          shapes={lookAlikeShapes({ form, a: drawn(a), b: drawn(b), width, height })}
          width={width}
          height={height}
          says={`${a.name} and ${b.name} nearly match: ${tell}`}
        />
      )}
      <div className="grid grid-cols-2 border-t border-rule text-center">
        {[a, b].map((part, i) => (
          <span key={i} className="px-1 py-1 text-[15px]">
            {part.name}
            {part.size !== null && (
              <>
                <span className="num block whitespace-nowrap">{describeLength(part.size, part.unit)}</span>
                <span className="num block whitespace-nowrap text-ink2">{describeLength(part.size, otherUnit(part.unit))}</span>
              </>
            )}
          </span>
        ))}
      </div>
      <p className="m-0 flex gap-3 border-t border-rule px-3 py-2 text-[16px]">
        <span className="label shrink-0 font-semibold text-blue">The tell</span>
        <span>{tell}</span>
      </p>
      {photos && (
        <div className="border-t border-rule px-3 py-2">
          <Photos ofKind="lookAlike" ofId={lookAlike.id} caption={`${a.name} and ${b.name}`} />
        </div>
      )}
    </div>
  );
}
