import type { Method } from '@elder-cog/contract';
import type { JSX, ReactNode } from 'react';

const P = { stroke: 'var(--part)', strokeWidth: 1.2 } as const;
const iron = { fill: 'url(#hatch-casing)', ...P };
const lid = { fill: 'url(#hatch-cover)', ...P };
const steel = { fill: 'var(--steel)', ...P };
const brass = { fill: 'var(--brass)', stroke: 'var(--brass-line)', strokeWidth: 1 } as const;
const blue = { fill: 'none', stroke: 'var(--blue)', strokeWidth: 2 } as const;

const Case = (): JSX.Element => <path d="M8,10H84V34H60V44H26V34H18V60H8Z" {...iron} />;
const Shaft = (): JSX.Element => <path d="M18,56V44H60V48H112V56Z" {...steel} />;
const Cover = ({ x = 84, brassIn = false }: { x?: number; brassIn?: boolean }): JSX.Element => (
  <>
    {brassIn && <path d="M84,10h5v24h-5Z" {...brass} />}
    <path d={`M${x},10h12v36h-6v-10h-18v-2h12Z`} {...lid} />
  </>
);

const DRAWN: Partial<Record<Method, ReactNode>> = {
  dial: (
    <>
      <Case />
      <Cover brassIn x={89} />
      <Shaft />
      <path d="M112,50h8" {...blue} />
      <circle cx="134" cy="50" r="13" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="2" />
      <path d="M134,50l6,-8" {...blue} />
      <path d="M34,66h28m0,0l-6,-4m6,4l-6,4M34,66l6,-4m-6,4l6,4" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
    </>
  ),
  feelers: (
    <>
      <Case />
      <Shaft />
      <path d="M88,10h12v46h-12Z" {...lid} />
      <path d="M85.500,4v42" stroke="var(--blue)" strokeWidth="3" />
      <path d="M85,4l20,-1v4l-20,1" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="1.4" />
    </>
  ),
  depths: (
    <>
      <Case />
      <Shaft />
      <path d="M84,8h5v28h-5Z" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="1.4" />
      <path d="M66,40h18M66,40l5,-3m-5,3l5,3" {...blue} />
      <path d="M108,10h10v36h-6v-10h-16v-2h12Z" {...lid} />
      <path d="M96,62h12M96,62l4,-3m-4,3l4,3M108,62l-4,-3m4,3l-4,3" {...blue} />
    </>
  ),
  spacer: (
    <>
      <Case />
      <path d="M84,10h12v24h-12Z" fill="var(--band)" stroke="var(--blue)" strokeWidth="2" />
      <Cover x={96} />
      <Shaft />
      <circle cx="138" cy="50" r="12" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="2" />
      <path d="M112,50h14M138,50l5,-7" {...blue} />
    </>
  ),
  coverDown: (
    <>
      <Case />
      <Cover x={94} />
      <Shaft />
      <path d="M84,4v16M94,4v16M78,8h6M100,8h-6" {...blue} />
      <path d="M128,34h-16m0,0l6,-4m-6,4l6,4" fill="none" stroke="var(--ink)" strokeWidth="2" />
    </>
  ),
};

/** A small drawing of one way of reading a gap. */
export function MethodDrawing({ method }: { method: Method }): JSX.Element {
  return (
    <svg width="150" height="72" viewBox="0 0 150 72" aria-hidden="true" className="block">
      {DRAWN[method]}
    </svg>
  );
}

/** The five ways, each with the line that tells when to use it. */
export const WAYS: readonly { readonly method: Method; readonly name: string; readonly says: string; readonly example: string }[] = [
  { method: 'dial', name: 'Dial, pushed and prised', says: 'The shaft is pushed one way and prised the other under a dial.', example: '88>12' },
  { method: 'feelers', name: 'Feelers', says: 'What goes in the gap, and what does not.', example: 'goes 9 stops 10' },
  { method: 'depths', name: 'Two depths', says: 'Case face to race, cover flange to spigot; less any parallel.', example: '1.103 - .375' },
  { method: 'spacer', name: 'Known spacer in', says: 'A spacer you know under the flange, so that even preload shows as float.', example: '88>96' },
  { method: 'coverDown', name: 'Cover down by hand', says: 'No gasket, no bolts: what is left under its flange.', example: 'goes 14 stops 15' },
];
export const wayOf = (method: Method | null): (typeof WAYS)[number] => WAYS.find((w) => w.method === method) ?? (WAYS[0] as (typeof WAYS)[number]);

/** How a dial stands to what moves: the movement along the level, the face it touches, its stem; the angles as they are. */
export function SquareDrawing({ stem, face }: { stem: number; face: number }): JSX.Element {
  return (
    <svg
      width="132"
      height="150"
      viewBox="0 0 132 150"
      role="img"
      aria-label={`Stem ${stem}° off the movement, face ${face}° off square`}
      className="shrink-0"
    >
      <path d="M6,75h120" stroke="var(--edge)" strokeWidth="1.2" strokeDasharray="8 4 2 4" />
      <g transform={`rotate(${face} 46 75)`}>
        <path d="M18,35H46V115H18Z" {...steel} />
        <path d="M46,35V115" stroke="var(--ink)" strokeWidth="2.4" />
      </g>
      <g transform={`rotate(${-stem} 46 75)`}>
        <path d="M46,75h34" {...blue} strokeWidth={3} />
        <circle cx="100" cy="75" r="20" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="2" />
        <path d="M100,75l7,-13" {...blue} />
      </g>
      <path d="M14,136h52m0,0l-7,-4m7,4l-7,4M14,136l7,-4m-7,4l7,4" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
    </svg>
  );
}
