import { refuse } from '../errors.ts';
import { meanExpansion } from '../material/index.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { exchangeHeat, type WarmBody } from './exchangeHeat.ts';

/** Of still air, about room temperature, W/m·K. From memory. */
const AIR_CONDUCTS = 0.028;
/** It is in when it has lost all but this share of the room it had. */
const SHUT = 0.002;
/** The most of the room, and of the temperatures apart, that goes in one step. */
const STEP = 0.02;
/** Nobody carries a part for longer, s. */
const LONGEST = 3600;

interface FitBody extends WarmBody {
  /** µm/m·K, 20 to 100 °C */
  readonly expansion: number;
}

export interface TimeInHandQuestion {
  readonly diameter: Length;
  readonly length: Length;
  /** on the diameter, at the temperature of the air, nm */
  readonly interference: Length;
  /** °C */
  readonly ambient: number;
  readonly outer: FitBody;
  readonly inner: FitBody;
}

/** One point of the curve: seconds, °C, nm on the diameter. */
export interface FitMoment {
  readonly t: number;
  readonly outer: number;
  readonly inner: number;
  readonly clearance: Length;
}

export interface TimeInHand {
  /** carrying it, both in the air, till there is no room left, s; null where there still is after an hour */
  readonly inAir: number | null;
  /** entering it, once in the bore, s; null likewise */
  readonly inBore: number | null;
  /** carrying: from the oven on */
  readonly curve: readonly FitMoment[];
  /** entering: from the moment it is in the bore */
  readonly entering: readonly FitMoment[];
}

/**
 * How long there is before a hot part has closed on a cold one: while it is carried, and once it is in. In the bore the film of air between
 * them, half the clearance thick, conducts: seconds, not minutes. Two bodies, each as warm all through.
 *
 * @returns s; both nothing where there is no room to begin with
 * @throws ReckoningError `notASize`, `notABody`
 * Source: Newton's law of cooling; conduction through a film, G = k·π·d·L ÷ (½·clearance), k of air from memory.
 * @example timeInHand({ diameter: mm(38), length: mm(40), interference: mm(0.2), ambient: 20, outer: { capacity: 900, hA: 0.4, temperature: 150, expansion: 11.6 }, inner: { capacity: 700, hA: 0.3, temperature: 20, expansion: 11.7 } }).inAir // 0
 */
export function timeInHand(question: TimeInHandQuestion): TimeInHand {
  const { diameter, length, outer, inner } = question;
  if (!(diameter > 0 && length > 0)) refuse('notASize', 'Give the diameter and the length of the fit.');
  for (const { capacity, hA } of [outer, inner])
    if (!(capacity > 0 && hA >= 0)) refuse('notABody', 'Both parts have a weight that holds heat, and give it to the air.');
  const carried = integrate(question, () => 0);
  // W/K over nm: the lengths cancel but for one
  const film = (clearance: number): number => (AIR_CONDUCTS * Math.PI * diameter * 1e-9 * length) / (clearance / 2);
  const entered = integrate(question, film);
  return { inAir: carried.shut, inBore: entered.shut, curve: carried.curve, entering: entered.curve };
}

/** The room on the diameter at these temperatures, nm. */
const roomAt = ({ diameter, interference, ambient, outer, inner }: TimeInHandQuestion, hot: number, cold: number): number => {
  const grown = (expansion: number, celsius: number): number => diameter * 1e-6 * meanExpansion(expansion, celsius) * (celsius - ambient);
  return grown(outer.expansion, hot) - grown(inner.expansion, cold) - interference;
};

function integrate(question: TimeInHandQuestion, film: (clearance: number) => number): { shut: number | null; curve: FitMoment[] } {
  const { outer, inner, ambient } = question;
  let [hot, cold] = [outer.temperature, inner.temperature];
  const start = roomAt(question, hot, cold);
  const moment = (t: number, room: number): FitMoment => ({ t, outer: hot, inner: cold, clearance: nanometres(Math.round(room)) });
  const curve = [moment(0, start)];
  if (start <= 0) return { shut: 0, curve };
  let [t, room] = [0, start];
  while (t < LONGEST) {
    const conductance = film(room);
    const after = (seconds: number): readonly [number, number] =>
      exchangeHeat({ ...outer, temperature: hot }, { ...inner, temperature: cold }, { conductance, ambient, seconds });
    // as long as the room, and the temperatures, change by no more than a step
    let seconds = Math.min(LONGEST - t, 20);
    let next = after(seconds);
    while (
      seconds > 1e-7 &&
      (Math.abs(roomAt(question, ...next) - room) > STEP * room || Math.abs(next[0] - hot) > 1 || Math.abs(next[1] - cold) > 1)
    ) {
      seconds /= 2;
      next = after(seconds);
    }
    [hot, cold] = next;
    t += seconds;
    room = roomAt(question, hot, cold);
    if (room <= start * SHUT) return { shut: t, curve: [...curve, moment(t, Math.max(0, room))] };
    curve.push(moment(t, room));
  }
  return { shut: null, curve };
}
