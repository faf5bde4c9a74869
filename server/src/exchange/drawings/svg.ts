import { madeOutline, pathOf, type MadeForm } from '@elder-cog/core';

const MM = 1e-6;
const MARGIN = 2;

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/**
 * The outline of a part as an SVG in millimetres, to a tenth of a micrometre: what is cut is in the group `cut`, grooves and edges behind in
 * `marks`. Nothing else is in it, so that a cutter takes it as it is.
 */
export function svgOf(form: MadeForm, title: string): string {
  const { cuts, marks, section, box, length } = madeOutline(form);
  const face = section.length === 0;
  const drawn = face ? cuts : section;
  const { left, right, bottom, top } = face ? box : { left: 0, right: length, bottom: box.bottom, top: box.top };
  const [width, height] = [(right - left) * MM + 2 * MARGIN, (top - bottom) * MM + 2 * MARGIN];
  const place = (x: number, y: number): readonly [number, number] => [(x - left) * MM + MARGIN, (top - y) * MM + MARGIN];
  const paths = (curves: typeof cuts): string => curves.map((curve) => `    <path d="${pathOf(curve, place, MM, 4)}"/>`).join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(4)}mm" height="${height.toFixed(4)}mm" viewBox="0 0 ${width.toFixed(4)} ${height.toFixed(4)}">
  <title>${escaped(title)}</title>
  <g id="cut" fill="none" stroke="#000" stroke-width="0.1">
${paths(drawn)}
  </g>
${face && marks.length > 0 ? `  <g id="marks" fill="none" stroke="#00f" stroke-width="0.1">\n${paths(marks)}\n  </g>\n` : ''}</svg>
`;
}
