import { formatLength, unitWord, type PackWindow, type Sum } from '@elder-cog/core';
import { packWords, type PackChoice, type PackChoices } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Heading, Primary } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { rangeWords } from '../../state/understood.ts';

interface Props {
  readonly window: PackWindow;
  readonly sum: Sum;
  readonly choices: PackChoices | null;
  readonly unit: 'thou' | 'mm';
  readonly sending: boolean;
  /** null where there is no drawing of it to keep */
  readonly onKeep: (machine: string) => void;
}

/** The pack to fit, what on hand makes it or what to make, the sum, and a name to keep it by. */
export function LooseAnswer({ window, sum, choices, unit, sending, onKeep }: Props): JSX.Element {
  const [naming, setNaming] = useState<string | null>(null);
  return (
    <div className="border-t-2 border-ink pt-2" data-testid="loose-answer">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div>
          <Heading>Pack to fit</Heading>
          <Num value={window.ideal} unit={unit} size={44} both />
        </div>
        <p className="m-0 text-right">
          <span className="text-ink2">lands in the limits</span>
          <span className="num block text-[18px] font-semibold whitespace-nowrap">{rangeWords(window, unit)}</span>
          <span className="text-[15px] text-ink2">{window.sure ? `sure ${rangeWords(window.sure, unit)}` : window.because}</span>
        </p>
      </div>
      <div className="mt-2 grid grid-cols-3 gap-2 max-sm:grid-cols-1">
        {choices?.choices.map((choice, i) => (
          <LoosePack key={i} choice={choice} unit={unit} first={i === 0} />
        ))}
      </div>
      {choices && (
        <p className="m-0 mt-2 border border-dashed border-edge px-3 py-2" data-testid="loose-make">
          {choices.choices.length === 0 && <>No pack on hand lands. </>}
          make <span className="num text-[18px] font-semibold">{formatLength(choices.make.in[unit].size, unit)}</span>{' '}
          <span className="num text-ink2">
            ±{formatLength(choices.make.in[unit].either, unit)} {unitWord(unit)}
          </span>
          {choices.make.plan && 'from' in choices.make.plan && (
            <>
              {' '}
              from <span className="num font-semibold">{formatLength(choices.make.plan.from, unit)}</span>{' '}
              {choices.make.owned ? 'on hand' : 'stock, to be bought,'} take off{' '}
              <span className="num font-semibold">{formatLength(choices.make.plan.takeOff, unit)}</span>
            </>
          )}
        </p>
      )}
      <div className="mt-2">
        <SumView sum={sum} unit={unit} answerAt={4} />
      </div>
      <p className="mt-1 mb-2 text-[15px] text-ink2">Reckoned from your reading: try it, and read again.</p>
      {naming === null ? (
        <Primary className="w-full" onClick={() => setNaming('')}>
          Keep to a job…
        </Primary>
      ) : (
        <form
          className="flex items-start gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (naming.trim() !== '') onKeep(naming.trim());
          }}
        >
          <Field label="Name the machine" value={naming} onChange={(e) => setNaming(e.target.value)} autoFocus className="flex-1" />
          <Primary type="submit" enter disabled={sending || naming.trim() === ''} className="mt-7">
            Keep
          </Primary>
        </form>
      )}
    </div>
  );
}

function LoosePack({ choice, unit, first }: { choice: PackChoice; unit: 'thou' | 'mm'; first: boolean }): JSX.Element {
  return (
    <div className={`border p-2 ${first ? 'border-2 border-blue bg-band' : 'border-edge bg-sheet'}`}>
      <span className="num block text-[16px] leading-5 font-semibold">{packWords(choice.leaves)}</span>
      <span className="flex items-center gap-2">
        <Mark kind="in" size={22} ground={first ? 'var(--band)' : 'var(--sheet)'} />
        <span className="ml-auto text-[14px] text-ink2">leaves</span>
        <span className="num text-[17px] font-semibold">{formatLength(choice.gives, unit)}</span>
      </span>
    </div>
  );
}
