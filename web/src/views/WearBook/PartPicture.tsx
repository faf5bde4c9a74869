import type { StripEntry } from '@elder-cog/contract';
import { stripPartShapes, stripPartType } from '@elder-cog/core';
import { oddBolts } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Shapes } from '../../kit/Shapes.tsx';

/** A small drawing of what sort of thing it is, by its name. */
export function PartPicture({ entry }: { entry: StripEntry }): JSX.Element {
  const type = entry.kind === 'pack' ? 'pack' : entry.kind === 'float' ? 'float' : stripPartType(entry.part);
  const odd = entry.bolts ? [...oddBolts(entry.bolts.holes)] : [];
  return <Shapes shapes={stripPartShapes({ type, odd, width: 120, height: 56 })} width={120} height={56} says="" />;
}
