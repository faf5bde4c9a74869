import { formatLength, NM_PER, unitWord, type Length, type Limits } from '@elder-cog/core';
import { CategoryScale, Chart, Filler, LinearScale, LineElement, PointElement, type ChartData, type ChartDataset, type ChartOptions } from 'chart.js';
import { useMemo, type JSX } from 'react';
import { Line } from 'react-chartjs-2';
import { useChartColours, type ChartColours } from '../../kit/chartColours.ts';

Chart.register(CategoryScale, Filler, LinearScale, LineElement, PointElement);

interface HotChartProps {
  readonly points: readonly { readonly at: number; readonly gap: Length }[];
  readonly limits: Limits;
  readonly unit: 'thou' | 'mm';
}

/** A gap over the temperature of its case, and the limits it is to come in between. */
export function HotChart({ points, limits, unit }: HotChartProps): JSX.Element {
  const colours = useChartColours();
  const drawn = useMemo(() => colours && chartOf({ points, limits, unit }, colours), [points, limits, unit, colours]);
  const [first, last] = [points[0], points.at(-1)];
  const says =
    first && last
      ? `The gap over the temperature of the case: ${formatLength(first.gap, unit)} at ${Math.round(first.at)} °C, ${formatLength(last.gap, unit)} ${unitWord(unit)} at ${Math.round(last.at)} °C.`
      : '';
  return <div className="mt-2 h-[220px] w-full">{drawn && <Line {...drawn} role="img" aria-label={says} />}</div>;
}

function chartOf(
  { points, limits: { min, max }, unit }: HotChartProps,
  colours: ChartColours,
): { data: ChartData<'line'>; options: ChartOptions<'line'> } {
  const per = NM_PER[unit];
  const [ink, rule] = [colours['--ink'], colours['--rule']];
  const font = { family: colours['--font-number'], size: 15 };
  const line = { pointRadius: 0, borderWidth: 1.5, borderColor: colours['--blue'], backgroundColor: colours['--band'] };
  const level = (limit: Length, fill: string | false): ChartDataset<'line'> => ({ ...line, fill, data: points.map(() => limit / per) });
  const axis = (text: string, maxTicksLimit: number) =>
    ({
      title: { display: true, text, color: ink, font },
      ticks: { color: ink, font, maxTicksLimit, maxRotation: 0 },
      grid: { color: rule },
    }) as const;
  return {
    data: {
      labels: points.map(({ at }) => Math.round(at)),
      datasets: [
        { ...line, data: points.map(({ gap }) => gap / per), borderColor: ink, borderWidth: 3, fill: false },
        ...(min === undefined ? [] : [level(min, max === undefined ? false : '+1')]),
        ...(max === undefined ? [] : [level(max, false)]),
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      scales: { x: axis('°C', 7), y: { ...axis(unitWord(unit), 6), grace: '10%' } },
    },
  };
}
