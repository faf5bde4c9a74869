import { text, textWidth, type Colour, type Fill, type Shape } from '../shapes.ts';

/** Words on a drawing, and the room they take. */
export interface LabelBox {
  readonly words: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export interface Words {
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly size?: number;
  readonly font?: 'label' | 'number';
  readonly colour?: Colour;
  readonly bold?: boolean;
  readonly halo?: Fill;
}

/** Whether two labels leave each other alone. */
export const apart = (a: Omit<LabelBox, 'words'>, b: Omit<LabelBox, 'words'>): boolean =>
  a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;

/** Labels that have been written, each kept with its room. */
export class Labels {
  readonly boxes: LabelBox[] = [];
  readonly shapes: Shape[] = [];

  boxOf(words: string, x: number, y: number, { anchor = 'start', size = 16, font = 'label' }: Words = {}): LabelBox {
    const w = textWidth(words, font, size);
    return { words, x: x - { start: 0, middle: w / 2, end: w }[anchor], y: y - size * 0.8, w, h: size };
  }

  isFree = (box: Omit<LabelBox, 'words'>): boolean => this.boxes.every((other) => apart(other, box));

  write(words: string, x: number, y: number, how: Words = {}): void {
    const { anchor = 'start', size = 16, font = 'label', colour = 'ink2', bold, halo } = how;
    this.boxes.push(this.boxOf(words, x, y, how));
    this.shapes.push(text(x, y, words, font, size, colour, { anchor, ...(bold ? { bold } : {}), ...(halo ? { halo } : {}) }));
  }

  /** Writes it where it leaves the others alone; nothing where it would not. */
  writeIfFree(words: string, x: number, y: number, how: Words = {}): boolean {
    const isFree = this.isFree(this.boxOf(words, x, y, how));
    if (isFree) this.write(words, x, y, how);
    return isFree;
  }
}
