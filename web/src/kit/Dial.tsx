import { dialFace } from '@elder-cog/core';
import { memo, type JSX } from 'react';

const point = (degrees: number, r: number): readonly [number, number] => [
  120 + r * Math.sin((degrees * Math.PI) / 180),
  120 - r * Math.cos((degrees * Math.PI) / 180),
];

const tick = (i: number): string => {
  const inner = i % 10 === 0 ? 100 : i % 5 === 0 ? 104 : 108;
  return `M${point(i * 3.6, 114).join(',')}L${point(i * 3.6, inner).join(',')}`;
};
/** In two strokes. */
const TICKS = {
  tens: Array.from({ length: 10 }, (_, i) => tick(i * 10)).join(''),
  others: Array.from({ length: 100 }, (_, i) => (i % 10 === 0 ? '' : tick(i))).join(''),
} as const;

/** The dial as keyed: start hand hollow, finish hand solid, the sector swept tinted, whole turns as a second ring. */
export function Dial({
  entry,
  divisions,
  balanced = false,
  size = 240,
}: {
  entry: string;
  divisions: number;
  balanced?: boolean;
  size?: number;
}): JSX.Element {
  const face = dialFace(entry, divisions, balanced);
  const says = face
    ? `Dial, from ${Math.round((face.start / 360) * divisions)} ${face.clockwise ? 'clockwise' : 'anticlockwise'} to ${Math.round((face.finish / 360) * divisions)}${face.turns > 0 ? ` and ${face.turns} whole turns` : ''}`
    : 'Dial, nothing keyed yet';
  return (
    <div role="img" aria-label={says} className="relative [contain:strict]" style={{ width: size, height: size }}>
      <Face divisions={divisions} balanced={balanced} />
      <svg width="100%" height="100%" viewBox="0 0 240 240" className="absolute inset-0 will-change-transform">
        {face && face.sweep > 0 && (
          <path d={sector(face.start, face.finish, face.sweep, face.clockwise)} fill="var(--blue)" fillOpacity="0.16" data-dial="sweep" />
        )}
        {face && face.turns > 0 && (
          <text x="120" y="166" textAnchor="middle" className="num" fontSize="17" fill="var(--blue)">
            +{face.turns}
          </text>
        )}
        {face && <Hand degrees={face.start} solid={false} />}
        {face && <Hand degrees={face.finish} solid />}
        {face && face.back !== null && <Back degrees={face.back} />}
        <circle cx="120" cy="120" r="6" fill="var(--ink)" />
      </svg>
    </div>
  );
}

/** What does not move, drawn once and not at every key. */
const Face = memo(function Face({ divisions, balanced }: { divisions: number; balanced: boolean }): JSX.Element {
  const numbers = dialFace('0', divisions, balanced)?.numbers ?? [];
  return (
    <svg width="100%" height="100%" viewBox="0 0 240 240" className="absolute inset-0">
      <circle cx="120" cy="120" r="116" fill="var(--sheet)" stroke="var(--edge)" strokeWidth="2" />
      <path d={TICKS.tens} stroke="var(--ink2)" strokeWidth="1.6" />
      <path d={TICKS.others} stroke="var(--ink2)" strokeWidth="0.8" />
      {numbers.map(({ degrees, words }) => {
        const [x, y] = point(degrees, 86);
        return (
          <text key={words} x={x} y={y + 6} textAnchor="middle" className="num" fontSize="17" fontWeight="600" fill="var(--ink)">
            {words}
          </text>
        );
      })}
    </svg>
  );
});

function Hand({ degrees, solid }: { degrees: number; solid: boolean }): JSX.Element {
  const [x, y] = point(degrees, 98);
  const [a, b] = [point(degrees - 90, 5), point(degrees + 90, 5)];
  return (
    <path
      d={`M${a[0]},${a[1]}L${x},${y}L${b[0]},${b[1]}Z`}
      fill={solid ? 'var(--ink)' : 'var(--sheet)'}
      stroke="var(--ink)"
      strokeWidth="1.4"
      data-dial={solid ? 'finish' : 'start'}
    />
  );
}

/** Where it came back to: a line only, beside the hand it began at. */
function Back({ degrees }: { degrees: number }): JSX.Element {
  const [x, y] = point(degrees, 98);
  return <path d={`M120,120L${x},${y}`} stroke="var(--blue)" strokeWidth="2" strokeDasharray="5 3" data-dial="back" />;
}

function sector(start: number, finish: number, sweep: number, clockwise: boolean): string {
  const [x1, y1] = point(start, 114);
  const [x2, y2] = point(finish, 114);
  return `M120,120L${x1},${y1}A114,114 0 ${sweep > 180 ? 1 : 0} ${clockwise ? 1 : 0} ${x2},${y2}Z`;
}
