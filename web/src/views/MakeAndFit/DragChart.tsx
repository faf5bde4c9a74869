import { fromBase, type Ends, type TorqueUnit } from '@elder-cog/core';
import type { DragState } from '@elder-cog/derive';
import { Chart, LinearScale, LineElement, PointElement, type ChartData, type ChartOptions, type Plugin } from 'chart.js';
import { useMemo, type JSX } from 'react';
import { Line } from 'react-chartjs-2';
import { Heading } from '../../kit/controls.tsx';
import { useChartColours, type ChartColours } from '../../kit/chartColours.ts';
import { useTorqueShown, torqueWords } from '../../kit/Torque.tsx';

Chart.register(LinearScale, LineElement, PointElement);

/** The drag against the turn of the nut: what was read, what the next turn is to come to, the window, and where to stop. */
export function DragChart({ drag }: { drag: DragState }): JSX.Element | null {
  const colours = useChartColours();
  const { unit } = useTorqueShown(drag.unit);
  const drawn = useMemo(() => colours && chartOf(drag, unit, colours), [drag, unit, colours]);
  const steps = drag.log?.steps ?? [];
  const read = steps.flatMap(({ drag: value, inAll }) => (value === null ? [] : [`${torqueWords(value, unit)} at ${inAll}°`]));
  const says = `Drag against turn of the nut: ${read.length === 0 ? 'nothing read yet' : read.join(', ')}.`;
  return (
    <section aria-label="Drag against turn">
      <Heading>Drag against turn</Heading>
      <div className="mt-1 h-[340px] w-full max-sm:h-[260px]">{drawn && <Line {...drawn} role="img" aria-label={says} />}</div>
    </section>
  );
}

type Drawn = { data: ChartData<'line', { x: number; y: number }[]>; options: ChartOptions<'line'>; plugins: Plugin<'line'>[] };

function chartOf(drag: DragState, unit: TorqueUnit, colours: ChartColours): Drawn {
  const { log, limits } = drag;
  const steps = log?.steps ?? [];
  const ink = colours['--ink'];
  const font = { family: colours['--font-number'], size: 15 };
  const inUnit = (base: number): number => fromBase(base, unit);
  const read = steps.flatMap(({ inAll, drag: value }) => (value === null ? [] : [{ x: inAll, y: inUnit(value) }]));
  const last = steps.at(-1);
  const turned = last?.inAll ?? 0;
  const expected = last?.drag === null ? last.expected : (log?.plan?.next?.forecast ?? null);
  const at = last?.drag === null ? turned : turned + (log?.plan?.next?.degrees ?? 0);
  const to = expected && Number.isFinite(expected.u) ? { x: at, y: inUnit(expected.value), u: inUnit(2 * expected.u) } : null;
  const line = { borderColor: ink, backgroundColor: ink };
  const axis = (text: string) =>
    ({
      title: { display: true, text, color: ink, font },
      ticks: { color: ink, font, maxTicksLimit: 7, maxRotation: 0, includeBounds: false },
      grid: { color: colours['--rule'] },
    }) as const;
  // a nut that was let back is left of where it was begun
  const left = Math.min(0, at, ...read.map(({ x }) => x));
  const least = left < 0 ? Math.floor((left - 5) / 30) * 30 : 0;
  const most = Math.max(...read.map(({ y }) => y), to ? to.y + to.u : 0, limits?.limits.max === undefined ? 0 : inUnit(limits.limits.max) * 1.2, 1);
  return {
    data: {
      datasets: [
        { ...line, label: 'read', data: read, borderWidth: 2.5, pointRadius: 6, cubicInterpolationMode: 'monotone' },
        ...(to && read.length > 0
          ? [
              { ...line, label: 'expected', data: [read.at(-1) ?? to, to], borderDash: [3, 4], borderWidth: 2.5, pointRadius: 0 },
              {
                ...line,
                label: 'its doubt',
                data: [
                  { x: to.x, y: Math.max(0, to.y - to.u) },
                  { x: to.x, y: to.y + to.u },
                ],
                borderWidth: 2,
                pointStyle: 'line' as const,
                pointRadius: 8,
                pointBorderWidth: 2,
              },
              { ...line, label: 'expected at', data: [to], pointRadius: 6, backgroundColor: colours['--sheet'], pointBorderWidth: 2.5 },
            ]
          : []),
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: { legend: { display: false } },
      scales: {
        x: {
          type: 'linear',
          min: least,
          max: Math.max(least + 60, Math.ceil((Math.max(at, ...read.map(({ x }) => x)) + 10) / 30) * 30),
          ...axis('turn of the nut, degrees'),
        },
        y: { min: 0, max: most > 10 ? Math.ceil(most / 5) * 5 : Math.ceil(most * 2) / 2, ...axis(unit) },
      },
    },
    plugins: limits ? [windowBehind(limits.limits, log?.plan?.stop ?? null, { inUnit, colours })] : [],
  };
}

/** The window, where to stop in it, and what is past it, behind what was read. */
function windowBehind(
  { min = 0, max }: Ends<number>,
  stop: number | null,
  { inUnit, colours }: { readonly inUnit: (base: number) => number; readonly colours: ChartColours },
): Plugin<'line'> {
  return {
    id: 'window',
    beforeDatasetsDraw: ({ ctx, chartArea, scales }) => {
      const y = scales.y;
      if (!y || max === undefined) return;
      const px = (base: number): number => y.getPixelForValue(inUnit(base));
      const { left, right, top } = chartArea;
      ctx.save();
      ctx.fillStyle = colours['--band'];
      ctx.fillRect(left, px(max), right - left, px(min) - px(max));
      ctx.strokeStyle = colours['--blue'];
      ctx.lineWidth = 2;
      for (const end of [min, max]) {
        ctx.beginPath();
        ctx.moveTo(left, px(end));
        ctx.lineTo(right, px(end));
        ctx.stroke();
      }
      ctx.font = `600 15px ${colours['--font-label']}`;
      ctx.fillStyle = colours['--blue'];
      ctx.fillText('WANTED', left + 8, px(min) - 6);
      ctx.fillStyle = colours['--tight'];
      if (px(max) - top > 20) ctx.fillText('PAST IT', left + 8, px(max) - 8);
      if (stop !== null && stop > min) {
        ctx.strokeStyle = colours['--tight'];
        ctx.lineWidth = 3;
        ctx.beginPath();
        ctx.moveTo(left, px(stop));
        ctx.lineTo(right, px(stop));
        ctx.stroke();
        // on the left: what is drawn up comes into the window from there only at its end
        ctx.fillText('STOP', left + 90, px(stop) + 18);
      }
      ctx.restore();
    },
  };
}
