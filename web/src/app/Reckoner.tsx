import { nearestRule, missWords } from '@elder-cog/core';
import { reckon, type Reckoned } from '@elder-cog/derive';
import { Over } from '../kit/Over.tsx';
import { DialogTitle } from '../kit/over.ts';
import { useMemo, useState, type JSX } from 'react';
import { Heading, Quiet, Secondary } from '../kit/controls.tsx';
import { Shapes } from '../kit/Shapes.tsx';
import { useWidth } from '../kit/useWidth.ts';
import { useDrawer } from '../state/api.ts';
import { useReckoner } from '../state/reckoner.ts';

/** Any length, fraction, gauge, torque, pressure, capacity, temperature, speed or angle, over whatever is on the page. No job is needed. */
export default function Reckoner(): JSX.Element {
  const open = useReckoner((s) => s.open);
  const hide = useReckoner((s) => s.hide);
  const [text, setText] = useState('');
  const close = (): void => {
    hide(text);
    setText('');
  };
  return (
    <Over open={open} onClose={close} place="sheet" className="max-w-[986px] bg-paper sm:mt-12">
      <ReckonerSheet text={text} onChange={setText} onClose={close} />
    </Over>
  );
}

function ReckonerSheet({ text, onChange, onClose }: { text: string; onChange: (text: string) => void; onClose: () => void }): JSX.Element {
  const last = useReckoner((s) => s.last);
  const lots = useDrawer().data?.lots;
  const found = useMemo(() => reckon(text, lots ?? []), [text, lots]);
  const before = useMemo(() => (last === '' ? null : reckon(last, []).answer), [last]);
  const { answer, choices } = found;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 px-6 pt-4 max-sm:px-4">
        <DialogTitle className="label m-0 text-[22px] font-semibold text-blue">Reckoner</DialogTitle>
        <span className="text-ink2">any length, fraction, torque, pressure, capacity, temperature or angle</span>
        <Quiet onClick={onClose} className="ml-auto">
          Close <span className="num text-[14px] text-ink2">Esc</span>
        </Quiet>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-center gap-5 px-6 pb-4 max-md:grid-cols-1 max-sm:px-4">
        <label>
          <span className="sr-only">What to reckon</span>
          <input
            autoFocus
            value={text}
            onChange={(e) => onChange(e.target.value)}
            autoComplete="off"
            spellCheck={false}
            placeholder="like 23½ thou"
            aria-describedby="reckoner-says"
            className="num h-[72px] w-full border-2 border-blue bg-sheet px-4 text-[32px] placeholder:text-[20px]"
          />
        </label>
        <div id="reckoner-says" aria-live="polite">
          {answer ? (
            <p className="m-0">
              read as <strong className="font-semibold">{answer.readAs}</strong>
              {answer.notes.map((note) => (
                <span key={note} className="block text-ink2">
                  {note}
                </span>
              ))}
            </p>
          ) : (
            'refusal' in found && found.refusal !== '' && <p className="m-0">{found.refusal}</p>
          )}
          {choices.length > 0 && (
            <div className="mt-1 flex flex-wrap gap-2">
              {choices.map((choice) => (
                <Secondary key={choice} onClick={() => onChange(choice)} className="num px-3">
                  {choice}
                </Secondary>
              ))}
            </div>
          )}
          {text === '' && (
            <p className="m-0 text-ink2">
              takes <Examples onPick={onChange} />
            </p>
          )}
        </div>
      </div>
      {answer && <Answer answer={answer} />}
      {before && text === '' && (
        <section aria-label="Last one" className="border-t border-rule px-6 py-3 max-sm:px-4">
          <div className="flex items-center justify-between gap-3">
            <Heading>Last one</Heading>
            <Quiet onClick={() => onChange(last)}>Again ▸</Quiet>
          </div>
          <p className="num m-0 text-[17px]">
            {last} <span className="text-ink2">=</span> {before.tiles.map((t) => `${t.value} ${t.unit}`).join(' · ')}
          </p>
        </section>
      )}
    </>
  );
}

function Examples({ onPick }: { onPick: (text: string) => void }): JSX.Element {
  return (
    <>
      {['88>12', '23/64"', '0.6 mm', '31 N·m', '40 psi', '3½ pints', '120 °C'].map((example) => (
        <button key={example} type="button" onClick={() => onPick(example)} className="num min-h-12 px-2 text-[16px] text-blue">
          {example}
        </button>
      ))}
    </>
  );
}

function Answer({ answer }: { answer: Reckoned }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const rule =
    answer.length !== null && width >= 560 && answer.nearest.length > 0 ? nearestRule({ wanted: answer.length, sizes: answer.nearest, width }) : null;
  return (
    <>
      <div
        className={`grid border-y border-rule bg-sheet px-6 max-sm:px-4 ${answer.tiles.length > 3 ? 'grid-cols-3 max-sm:grid-cols-2' : 'grid-cols-3 max-sm:grid-cols-1'}`}
      >
        {answer.tiles.map((tile, i) => (
          <div key={tile.label} className={`min-w-0 py-3 ${i % 3 === 0 ? '' : 'sm:border-l sm:border-rule sm:pl-4'}`}>
            <div className="flex items-baseline justify-between gap-2 pr-3">
              <span className="label text-[16px] font-semibold text-ink2">{tile.label}</span>
              {tile.exactly !== '' && <span className="num text-[14px] text-ink2">{tile.exactly}</span>}
            </div>
            <span
              className={`num font-semibold ${tile.value.length > 9 ? 'text-[28px] leading-[48px]' : 'text-[44px] leading-[48px] max-md:text-[34px]'}`}
            >
              {tile.value}
            </span>{' '}
            <span className="font-label text-[24px] text-ink2">{tile.unit}</span>
          </div>
        ))}
      </div>
      {answer.nearest.length > 0 && (
        <section aria-label="Nearest to it" className="px-6 py-3 max-sm:px-4">
          <div className="flex items-baseline justify-between gap-3">
            <Heading>Nearest to it</Heading>
            <span className="text-[15px] text-ink2">brass: in your drawer</span>
          </div>
          <div ref={ref}>
            {rule ? (
              <Shapes shapes={rule.shapes} width={width} height={rule.height} says={rule.says} />
            ) : (
              <ul className="m-0 list-none p-0">
                {answer.nearest.map((size) => (
                  <li key={size.name} className="flex justify-between gap-3 border-b border-rule py-1">
                    <span className={size.of === 'leaf' ? 'font-medium text-brass-text' : ''}>{size.name}</span>
                    <span className="num">{missWords(size.error)}</span>
                  </li>
                ))}
              </ul>
            )}
          </div>
        </section>
      )}
      {answer.working.length > 0 && (
        <section aria-label="The working" className="border-t border-rule px-6 py-3 max-sm:px-4">
          <Heading>The working</Heading>
          <table className="w-full max-w-[620px] border-collapse text-[16px]">
            <tbody>
              {answer.working.map((line) => (
                <tr key={line.label}>
                  <th scope="row" className="py-0.5 pr-4 text-left font-normal">
                    {line.label}
                  </th>
                  <td className="num py-0.5 text-right">{line.expression}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}
