import { MADE, madeDrawing, madeMass, missingOf, ReckoningError, type MadeDrawing, type MadeForm } from '@elder-cog/core';
import { materialNamed } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Heading, Refusal } from '../../kit/controls.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

const PX_PER_MM = 96 / 25.4;
/** How much of full size a drawing may be on the screen. */
const SCALES = [4, 3, 2, 1, 3 / 4, 1 / 2, 1 / 3] as const;
/** Wider than there is room for, it is pushed along. */
const LEAST = 1 / 5;
const TALLEST = 470;

const scaleWords = (scale: number): string => (scale === 3 / 4 ? '3 : 4' : scale >= 1 ? `${scale} : 1` : `1 : ${Math.round(1 / scale)}`);

/** Drawn at the largest of the scales at which it goes into so much room. */
function drawnIn(form: MadeForm, unit: 'thou' | 'mm', width: number): { readonly scale: number; readonly drawing: MadeDrawing } {
  const at = (scale: number): MadeDrawing => madeDrawing(form, { unit, scale: PX_PER_MM * scale });
  for (const scale of SCALES) {
    const drawing = at(scale);
    if (drawing.width <= width && drawing.height <= TALLEST) return { scale, drawing };
  }
  return { scale: LEAST, drawing: at(LEAST) };
}

/** The part as it is to be made, with its figures; or what is not said of it yet. */
export function PartDrawing({ form, unit, material }: { form: MadeForm; unit: 'thou' | 'mm'; material: string }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const drawn = useMemo(() => {
    try {
      return drawnIn(form, unit, width);
    } catch (error) {
      if (error instanceof ReckoningError) return { refusal: error.message };
      throw error;
    }
  }, [form, unit, width]);
  const missing = missingOf(form);
  const stuff = materialNamed(material);
  const grams = 'drawing' in drawn && stuff ? madeMass(form, stuff.density) : null;
  return (
    <section aria-label="Drawing" className="bg-sheet px-4 pt-3 pb-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <Heading>Prints full size, 1 : 1</Heading>
        {'scale' in drawn && (
          <span className="text-ink2">
            about {scaleWords(drawn.scale)} here{grams === null ? '' : `, ${grams.toFixed(grams < 10 ? 1 : 0)} g of ${stuff?.name ?? ''}`}
          </span>
        )}
      </div>
      <div ref={ref} tabIndex={0} role="group" aria-label="Drawing, pushed along where it is wide" className="w-full min-w-0 overflow-x-auto">
        {'drawing' in drawn && width > 0 && (
          <div className="mx-auto w-fit max-w-none">
            <Shapes shapes={drawn.drawing.shapes} width={drawn.drawing.width} height={drawn.drawing.height} says={drawn.drawing.says} />
          </div>
        )}
        {'refusal' in drawn &&
          (missing.length > 0 ? (
            <p className="m-0 py-6 text-ink2">
              {MADE[form.kind].called}: {MADE[form.kind].does}. Not said yet: {missing.map(({ label }) => label.toLowerCase()).join('; ')}.
            </p>
          ) : (
            <p className="m-0 py-6">
              <Refusal>{drawn.refusal}</Refusal>
            </p>
          ))}
      </div>
    </section>
  );
}
