/** How often something is tried: a short run with every `npm test`, the long one by hand, `npm run attack`. */
export const times = (short: number, full: number): number => (process.env.ATTACK === 'full' ? full : short);

/** The same chances every time: a seeded generator (mulberry32, public domain). */
export class Chance {
  private state: number;
  constructor(seed: number) {
    this.state = seed >>> 0;
  }
  /** from nothing up to, and not quite, one */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }
  whole(below: number): number {
    return Math.floor(this.next() * below);
  }
  of<Value>(values: readonly Value[]): Value {
    return values[this.whole(values.length)] as Value;
  }
}
