import { bearingNamed, bearingWayShapes, describeLength, type Bearing } from '@elder-cog/core';
import type { BearingPart, BearingState, ShaftState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { KeptText } from '../../kit/KeptText.tsx';
import { Num } from '../../kit/Num.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useCommand } from '../../state/api.ts';
import { numberOn, numbersAreSo } from '../../state/rollerActions.ts';
import { useSettings } from '../../state/settings.ts';

const HEIGHT = 190;

/** "35 × 80 × 22.75 mm, metric taper 303" */
export const bearingSizes = ({ bore, outside, width, family }: Bearing): string =>
  `${[bore, outside, width].map((size) => Number((size / 1e6).toFixed(3)).toString()).join(' × ')} mm, ${family}`;

/** Every bearing of a shaft: drawn as it goes in, and what is stamped on its rings. */
export function BearingRows({ shaft, bearings }: { shaft: ShaftState; bearings: readonly BearingState[] }): JSX.Element {
  return (
    <section aria-label="Bearings of this shaft">
      {bearings.map((bearing) => (
        <Row key={bearing.id} shaft={shaft} bearing={bearing} />
      ))}
    </section>
  );
}

function Row({ shaft, bearing }: { shaft: ShaftState; bearing: BearingState }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const unit = useSettings((s) => s.unit);
  const { send } = useCommand();
  const [first, last] = shaft.shaft.ends;
  const cupEnd = bearing.cupBack === 'inputSide' ? first : last;
  const coneEnd = bearing.cupBack === 'inputSide' ? last : first;
  const says = `${bearing.name}: the cup's back to the ${cupEnd}, the cone's back to the ${coneEnd}`;
  const w = Math.min(width, 520);
  return (
    <section aria-label={bearing.name} className="border-b-2 border-ink">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3 px-4 pt-2">
        <Heading>{bearing.name}</Heading>
        {bearing.stands !== null && (
          <span className="text-[16px]">
            stands <Num value={bearing.stands} unit={unit} />
          </span>
        )}
      </div>
      {bearing.cupBack !== null && (
        <div ref={ref} className="flex justify-center bg-sheet">
          {w > 120 && (
            <svg role="img" aria-label={says} width={w} height={HEIGHT} viewBox={`0 0 ${w} ${HEIGHT}`}>
              <Shapes
                shapes={bearingWayShapes({ cupBack: bearing.cupBack, ends: [first, last], width: w, height: HEIGHT })}
                width={w}
                height={HEIGHT}
                says=""
              />
            </svg>
          )}
        </div>
      )}
      <div className="px-4 py-2">
        {bearing.cupBack !== null && (
          <p className="m-0 text-[16px]">
            The cup with its thick end to the {cupEnd}; the cone with its thick end, where the rollers are big, to the {coneEnd}.
          </p>
        )}
        <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
          {bearing.parts.map((each) => (
            <RingNumber key={`${each.part.id} ${each.part.number}`} ring={each} />
          ))}
        </div>
        {bearing.queries.map(({ words, parts }) => (
          <p key={words} className="m-0 flex flex-wrap items-center gap-x-3 text-[16px]">
            <Refusal>{words}</Refusal>
            <Quiet onClick={() => void send(...numbersAreSo(parts)).catch(() => undefined)}>Both are so</Quiet>
          </p>
        ))}
      </div>
    </section>
  );
}

function RingNumber({ ring: { part, name } }: { ring: BearingPart }): JSX.Element {
  const { send } = useCommand();
  const known = bearingNamed(part.number);
  return (
    <div>
      <KeptText
        id={`number-${part.id}`}
        label={`Number on the ${name.charAt(0).toLowerCase()}${name.slice(1)}`}
        initial={part.number}
        placeholder="as it is stamped"
        refusalOf={(text) => (text.length > 60 ? 'Sixty letters at most.' : null)}
        onKeep={(number) => void send(numberOn(part, number)).catch(() => undefined)}
      />
      {known && (
        <p className="m-0 pb-1 text-[15px] leading-5 text-ink2">
          {bearingSizes(known)}
          {known.stand ? `; stands ${describeLength(known.stand.T, 'mm')}` : ''}
        </p>
      )}
    </div>
  );
}
