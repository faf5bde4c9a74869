import { formatQuantity, formatTorque, type TorqueUnit } from '@elder-cog/core';
import type { DragState, LogStep } from '@elder-cog/derive';
import type { JSX } from 'react';
import { useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useSettings } from '../../state/settings.ts';

const degrees = (turn: number): string => `${Number(turn.toFixed(1))}°`;

/** The log of a nut that is drawn up: each turn, what it comes to in all, the pull and the drag after it. */
export function DragLog({ drag, steps }: { drag: DragState; steps: readonly LogStep[] }): JSX.Element {
  const first = useSettings((s) => s.unit);
  const { unit } = useTorqueShown(drag.unit);
  const pullUnit = pullUnitOf(drag, first);
  const isPulled = steps.some(({ pull }) => pull !== null);
  const last = steps.length - 1;
  const before = drag.log?.before ?? [];
  return (
    <>
      <table aria-label="The log of the nut" className="w-full border-collapse">
        <thead>
          <tr className="label h-10 border-b-2 border-ink text-[17px] font-semibold">
            <th scope="col" className="pl-4 text-left">
              Step
            </th>
            <th scope="col" className="text-right">
              Turn
            </th>
            <th scope="col" className="text-right">
              In all
            </th>
            {isPulled && (
              <th scope="col" className="text-right">
                Pull {pullUnit}
              </th>
            )}
            <th scope="col" className="pr-4 text-right">
              Drag {unit}
            </th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step, i) => (
            <tr
              key={step.build.build.id}
              aria-current={i === last ? 'step' : undefined}
              className={`h-11 border-b border-rule ${i === last ? 'border-l-4 border-l-blue bg-band' : ''}`}
            >
              <th scope="row" className="pl-4 text-left text-[17px] font-normal">
                <span className="num text-[20px] font-semibold">{i}</span>
              </th>
              <td className="num text-right text-[18px]">
                {i === 0 ? 'begun' : step.degrees >= 0 ? `+${degrees(step.degrees)}` : degrees(step.degrees)}
              </td>
              <td className="num text-right text-[18px]">{degrees(step.inAll)}</td>
              {isPulled && <td className="num text-right text-[18px]">{step.pull === null ? '' : formatQuantity(step.pull, pullUnit, 2)}</td>}
              <td className="num pr-4 text-right text-[20px] font-semibold">
                <Read step={step} unit={unit} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {before.length > 0 && (
        <ul aria-label="Logs before this one" className="m-0 list-none px-4 py-2 text-[16px] text-ink2">
          {before.slice(-3).map((log, i) => (
            <li key={i}>
              {drag.sleeveId === null ? 'Before' : 'A sleeve before'}: <span className="num">{degrees(log.degrees)}</span> to{' '}
              <span className="num">{torqueWords(log.drag, unit)}</span>, at the last{' '}
              <span className="num">{torqueWords(log.perDegree * 10, unit)}</span> in ten degrees.
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function Read({ step, unit }: { step: LogStep; unit: TorqueUnit }): JSX.Element {
  if (step.drag !== null) return <>{formatTorque(step.drag, unit)}</>;
  return step.expected ? <span className="text-ink2">({formatTorque(step.expected.value, unit)})</span> : <>?</>;
}

/** What pulls are said in: as they were last read. */
export function pullUnitOf({ station }: Pick<DragState, 'station'>, first: 'thou' | 'mm'): string {
  const read = station.wrench?.unit;
  return read !== undefined && !read.includes('·') ? read : first === 'mm' ? 'kgf' : 'lbf';
}
