import { refuse } from '../errors.ts';
import { COLDEST, meanExpansion } from '../material/index.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { CEILINGS, heatCeiling, overCeiling, type HeatedKind } from './heatCeiling.ts';
import type { Caution } from './pressFit.ts';

/** How it is warmed: what each does to people differs. */
export const HEATINGS = ['oven', 'hotAir', 'hotPlate', 'oilBath', 'hotWater'] as const;
export type Heating = (typeof HEATINGS)[number];
const BOILING = 100;

interface Warmed {
  /** µm/m·K, 20 to 100 °C */
  readonly expansion: number;
  /** °C; the air's where it is not said */
  readonly temperature?: number;
  readonly kind: HeatedKind;
  /** what else is in it or on it and bears less: a seal, retaining compound */
  readonly also?: readonly HeatedKind[];
}

export interface HeatToFitQuestion {
  readonly diameter: Length;
  /** on the diameter, at the temperature of the air, nm */
  readonly interference: Length;
  /** room to drop in with, on the diameter, nm: about a thousandth of it, as a rule */
  readonly ease: Length;
  /** °C */
  readonly ambient: number;
  /** what is heated */
  readonly outer: Warmed;
  /** what goes into it, chilled or as warm as the air */
  readonly inner: Warmed;
  readonly heating?: Heating;
}

export interface HeatToFit {
  /** that the outer part must have, °C */
  readonly temperature: number;
  /** that it must not pass, °C */
  readonly ceiling: number;
  readonly overCeiling: boolean;
  /** what the inner part would have to be chilled to with the outer at its ceiling, °C; null where no cold that is to be had would do */
  readonly chillTo?: number | null;
  readonly cautions: readonly Caution[];
}

const shrunk = (diameter: Length, { expansion }: Warmed, ambient: number, celsius: number): number =>
  diameter * meanExpansion(expansion, celsius) * 1e-6 * (ambient - celsius);

/** How cold the inner must be to have shrunk by so much: by halving, to a hundredth of a degree; null past the cold of nitrogen. */
function coldFor(diameter: Length, inner: Warmed, ambient: number, by: number): number | null {
  if (shrunk(diameter, inner, ambient, COLDEST) < by) return null;
  let [warm, cold] = [ambient, COLDEST];
  while (warm - cold > 0.01) {
    const mid = (warm + cold) / 2;
    if (shrunk(diameter, inner, ambient, mid) < by) warm = mid;
    else cold = mid;
  }
  return cold;
}

/**
 * How warm the outer part must be for the inner one to drop in: α_o·d·(T_o − T_a) + α_i·d·(T_a − T_i) = δ + ease; its ceiling; and, past
 * that, how cold the inner one would have to be.
 *
 * @returns °C
 * @throws ReckoningError `notASize`, `notATemperature`
 * Source: linear expansion; ceilings as in {@link CEILINGS}. That a cup drops into aluminium at 60 to 70 °C is common practice.
 * @example heatToFit({ diameter: mm(62), interference: mm(0.045), ease: mm(0.02), ambient: 20, outer: { expansion: 23, kind: 'aluminium' }, inner: { expansion: 11.9, kind: 'rollingBearing' } }).temperature // 65.5820…
 */
export function heatToFit({ diameter, interference, ease, ambient, outer, inner, heating }: HeatToFitQuestion): HeatToFit {
  if (!(diameter > 0 && ease >= 0)) refuse('notASize', 'Give the diameter of the fit, and the room to drop in with, not less than nothing.');
  if (!(ambient >= -30 && ambient <= 50)) refuse('notATemperature', 'Give the temperature of the workshop, between −30 and 50 °C.');
  const from = inner.temperature ?? ambient;
  const wanted = interference + ease;
  const temperature = Math.max(ambient, ambient + (wanted - shrunk(diameter, inner, ambient, from)) / (diameter * outer.expansion * 1e-6));
  const kinds = [outer.kind, ...(outer.also ?? [])];
  const { celsius: ceiling } = heatCeiling(kinds);
  const over = overCeiling(temperature, kinds);
  const grown = diameter * outer.expansion * 1e-6 * (ceiling - ambient);
  return {
    temperature,
    ceiling,
    overCeiling: over !== null,
    ...(over ? { chillTo: coldFor(diameter, inner, ambient, wanted - grown) } : {}),
    cautions: [
      ...(over ? [over, { code: 'askLess', message: 'Ask for less room to drop in, chill the inner part as well, or press it.' }] : []),
      ...wayCautions(temperature, ambient, heating, outer),
      ...chillCautions(from, ambient, inner),
    ],
  };
}

function wayCautions(temperature: number, ambient: number, heating: Heating | undefined, { kind }: Warmed): Caution[] {
  if (temperature <= ambient) return [{ code: 'dropsIn', message: 'It drops in as it is: nothing need be heated.' }];
  const cautions: Caution[] = [
    {
      code: 'burns',
      message: 'Hot gloves and eye protection; no flame on a casing with solvent or petrol vapour about, no chlorinated cleaner near heat.',
    },
    { code: 'evenly', message: 'Warm it evenly, and hold it there till it is warm right through.' },
  ];
  if (kind === 'magnesium')
    cautions.push({
      code: 'magnesium',
      message: 'Magnesium burns, and its swarf more so: an oven or hot air, never a flame, and never water on it.',
    });
  if (heating === 'oilBath')
    cautions.push({ code: 'oilBath', message: 'Hot oil burns, and near its flash point it ignites: a thermometer in it, a lid at hand, no water.' });
  if (heating === 'hotWater' && temperature >= BOILING)
    cautions.push({ code: 'onlyBoiling', message: 'Water gets no hotter than 100 °C: an oven or a plate.' });
  if (heating === 'hotPlate')
    cautions.push({ code: 'hotPlate', message: 'A plate is hotter than it says: a sheet of metal under the part, and a thermometer on it.' });
  return cautions;
}

function chillCautions(celsius: number, ambient: number, { kind }: Warmed): Caution[] {
  if (celsius >= ambient) return [];
  const cautions: Caution[] = [{ code: 'sweats', message: 'A cold part sweats: dry it and oil it as it goes in.' }];
  if (celsius < -30)
    cautions.push({ code: 'coldBurns', message: 'Dry ice and liquid nitrogen burn and displace the air: gloves, goggles, and an open door.' });
  if (celsius < -78 && kind !== 'plain')
    cautions.push({
      code: 'nitrogenCracks',
      message: `Liquid nitrogen can crack or change the hardened steel of ${CEILINGS[kind].called}: dry ice at most.`,
    });
  return cautions;
}

/** The Sum beside {@link heatToFit}. */
export function heatToFitSum(question: HeatToFitQuestion): Sum {
  const { diameter, interference, ease, ambient, outer, inner } = question;
  const { temperature } = heatToFit(question);
  const cold = shrunk(diameter, inner, ambient, inner.temperature ?? ambient);
  return [
    lengthLine('tight by', '', interference),
    lengthLine('room to drop in', '+', ease),
    ...(cold === 0 ? [] : [lengthLine('the inner shrinks by', '−', nanometres(cold))]),
    lengthLine('the outer must grow by', '', nanometres(Math.max(0, interference + ease - cold))),
    { label: 'so it must have, °C', expression: `${ambient} + growth ÷ (d · ${outer.expansion} µm/m·K)`, value: temperature, unit: '' },
  ];
}
