import { fromLength, unitWord, type FitMoment, type TimeInHand } from '@elder-cog/core';
import { Chart, Legend, LinearScale, LineElement, PointElement, type ChartData, type ChartOptions } from 'chart.js';
import { useMemo, type JSX } from 'react';
import { Line } from 'react-chartjs-2';
import { useChartColours, type ChartColours } from '../../kit/chartColours.ts';
import { useSettings } from '../../state/settings.ts';

Chart.register(Legend, LinearScale, LineElement, PointElement);

/** As many points as are seen. */
const thinned = (curve: readonly FitMoment[]): readonly FitMoment[] =>
  curve.filter((_, i) => i % Math.max(1, Math.floor(curve.length / 120)) === 0 || i === curve.length - 1);

/** The room there is, over the seconds: carrying it, and once it is in the bore. */
export function HandChart({ time }: { time: TimeInHand }): JSX.Element {
  const colours = useChartColours();
  const unit = useSettings((s) => s.unit);
  const drawn = useMemo(() => colours && chartOf(time, unit, colours), [time, unit, colours]);
  const words = (seconds: number | null): string => (seconds === null ? 'over an hour' : `${seconds.toFixed(seconds < 10 ? 1 : 0)} s`);
  const says = `The room to drop in with, over the seconds: gone in ${words(time.inAir)} carrying it, in ${words(time.inBore)} once it is in the bore.`;
  return <div className="mt-2 h-[220px] w-full">{drawn && <Line {...drawn} role="img" aria-label={says} />}</div>;
}

function chartOf(
  { curve, entering, inAir, inBore }: TimeInHand,
  unit: 'thou' | 'mm',
  colours: ChartColours,
): { data: ChartData<'line', { x: number; y: number }[]>; options: ChartOptions<'line'> } {
  const font = { family: colours['--font-number'], size: 15 };
  const ink = colours['--ink'];
  const line = { pointRadius: 0, borderWidth: 3 };
  const points = (of: readonly FitMoment[]): { x: number; y: number }[] =>
    thinned(of).map(({ t, clearance }) => ({ x: t, y: fromLength(clearance, unit) }));
  const last = Math.max(inBore ?? 0, Math.min(inAir ?? 3600, Math.max(60, 3 * (inBore ?? 1200))));
  const axis = (text: string) =>
    ({
      title: { display: true, text, color: ink, font },
      ticks: { color: ink, font, maxTicksLimit: 6, maxRotation: 0 },
      grid: { color: colours['--rule'] },
    }) as const;
  return {
    data: {
      datasets: [
        { ...line, label: 'carrying', data: points(curve), borderColor: colours['--blue'] },
        { ...line, label: 'entering', data: points(entering), borderColor: ink, borderDash: [7, 4] },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: { legend: { display: true, labels: { color: ink, font, boxHeight: 0 } } },
      scales: { x: { type: 'linear', min: 0, max: last, ...axis('seconds') }, y: { min: 0, ...axis(`room, ${unitWord(unit)}`) } },
    },
  };
}
