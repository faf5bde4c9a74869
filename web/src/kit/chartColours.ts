import { useEffect, useState } from 'react';
import { useSettings } from '../state/settings.ts';
import { useMedia } from './useMedia.ts';

const NAMES = ['--ink', '--ink2', '--blue', '--band', '--rule', '--sheet', '--tight', '--font-number', '--font-label'] as const;
export type ChartColours = Readonly<Record<(typeof NAMES)[number], string>>;

/** The colours of the page, as a canvas wants them: read once the theme is on. */
export function useChartColours(): ChartColours | null {
  const theme = useSettings((s) => s.theme);
  const dark = useMedia('(prefers-color-scheme: dark)');
  const [colours, setColours] = useState<ChartColours | null>(null);
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const style = getComputedStyle(document.documentElement);
      setColours(Object.fromEntries(NAMES.map((name) => [name, style.getPropertyValue(name).trim()])) as ChartColours);
    });
    return () => cancelAnimationFrame(frame);
  }, [theme, dark]);
  return colours;
}
