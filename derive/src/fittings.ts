import type { FitPart, Fitting, HeatingGo, JobFacts } from '@elder-cog/contract';
import {
  bushRenewal,
  dewPoint,
  heatToFit,
  hotInterference,
  nanometres,
  orNull,
  overCeiling,
  pressFit,
  type BushRenewal,
  type Caution,
  type HeatToFit,
  type HotInterference,
  type Length,
  type Material,
  type PressFit,
  type TimeInHandQuestion,
} from '@elder-cog/core';
import { withdrawnIds } from './builds.ts';
import { materialNamed } from './makings.ts';

export interface FittingState {
  readonly fitting: Fitting;
  /** every go at it that stands, in order */
  readonly goes: readonly HeatingGo[];
  /** on the diameter; less than nothing is a clearance. Null where one of the two is not measured */
  readonly interference: Length | null;
  readonly press: PressFit | null;
  /** of a bush with a journal that runs in it */
  readonly renewal: BushRenewal | null;
  readonly heat: HeatToFit | null;
  /** the temperature the outer part is to have: said, or reckoned; and where the same dropped in before, that */
  readonly outerAt: number | null;
  /** where the like of it really dropped in, °C, and what that was; null where none has */
  readonly before: { readonly celsius: number; readonly name: string } | null;
  readonly hot: HotInterference | null;
  /** below it a part sweats, °C */
  readonly dew: number | null;
  /** what the seconds in hand are reckoned from; null where something is not known */
  readonly hand: TimeInHandQuestion | null;
  readonly cautions: readonly Caution[];
  /** what is to be said before anything is reckoned, in words */
  readonly missing: readonly string[];
}

/** Still air round a part, with what it radiates, W/m²·K. From memory. */
const STILL_AIR = 10;
/** Oiled. Common practice, no source. */
const FRICTION = 0.12;
/** Room to drop in with, where nobody said: a part in two thousand of the diameter. Common practice, no source. */
const EASE = 1 / 2000;
/** What is as big, within so much, is the like of it. */
const ALIKE = 0.05;

/** The mass of a ring, and the skin it gives its heat through: kg, m². */
function ringOf(
  { outside, bore, weight }: { outside: Length; bore: Length; weight: number | null },
  length: Length,
  { density }: Material,
): { mass: number; skin: number } {
  const [D, d, L] = [outside * 1e-9, bore * 1e-9, length * 1e-9];
  const mass = weight === null ? density * (Math.PI / 4) * (D ** 2 - d ** 2) * L : weight / 1000;
  return { mass, skin: Math.PI * (D + d) * L + (Math.PI / 2) * (D ** 2 - d ** 2) };
}

/** Where the like of a fit dropped in before: of the same stuff, nearly as big. */
function droppedBefore(facts: JobFacts, fitting: Fitting, gone: ReadonlySet<string>): FittingState['before'] {
  const alike = (other: Fitting): boolean =>
    other.outer.material === fitting.outer.material &&
    other.inner.material === fitting.inner.material &&
    Math.abs((other.outer.bore ?? 0) - (fitting.outer.bore ?? 0)) <= ALIKE * (fitting.outer.bore ?? 0);
  const go = facts.heatings.findLast((each) => {
    const of = facts.fittings.find((f) => f.id === each.fittingId);
    return each.went === 'droppedIn' && each.outer !== null && !gone.has(each.id) && of !== undefined && of.gone !== true && alike(of);
  });
  const name = facts.fittings.find((f) => f.id === go?.fittingId)?.name ?? '';
  return go?.outer === null || go === undefined ? null : { celsius: go.outer, name };
}

const missingIn = ({ outer, inner, length }: Fitting): string[] => [
  ...(outer.bore === null ? [`the bore of ${outer.what === '' ? 'what is outside' : `the ${outer.what}`}`] : []),
  ...(inner.outside === null ? [`the outside of ${inner.what === '' ? 'what goes in' : `the ${inner.what}`}`] : []),
  ...(length === null ? ['the length that is held'] : []),
  ...(materialNamed(outer.material) ? [] : ['what is outside is of']),
  ...(materialNamed(inner.material) ? [] : ['what goes in is of']),
];

function placesOfHeat(fitting: Fitting, outerAt: number | null): Caution[] {
  const { outer, inner, ambient } = fitting;
  const cautions: Caution[] = [];
  const hot = (part: FitPart, celsius: number | null): void => {
    const over = celsius === null ? null : overCeiling(celsius, [part.kind, ...part.also]);
    if (over && !cautions.some(({ message }) => message === over.message)) cautions.push(over);
  };
  hot(outer, outer.temperature ?? outerAt);
  hot(inner, inner.temperature);
  if (inner.temperature !== null && inner.temperature > ambient && inner.temperature > (outer.temperature ?? ambient))
    cautions.push({
      code: 'wrongPartHot',
      message: `It is the part that goes inside that is hot: it grows, and will not go in. Heat the ${outer.what === '' ? 'other' : outer.what}.`,
    });
  return cautions;
}

/** Everything reckoned of one fit: how tight, what pressing or heat it takes, and how long there is. */
export function fittingState(facts: JobFacts, fitting: Fitting): FittingState {
  const gone = withdrawnIds(facts);
  const { outer, inner, length, journal, clearance, ambient, humidity } = fitting;
  const [hub, shaft] = [materialNamed(outer.material), materialNamed(inner.material)];
  const { bore } = outer;
  const interference = bore === null || inner.outside === null ? null : nanometres(inner.outside - bore);
  const roughness = outer.roughness !== null && inner.roughness !== null ? { roughness: { hub: outer.roughness, shaft: inner.roughness } } : {};
  // where nobody measured the metal round it, it is twice the bore: thick, as a casing is
  const hubOuter = outer.outside ?? nanometres((bore ?? 0) * 2);
  const press =
    interference !== null && bore !== null && length !== null && hub && shaft
      ? orNull(() =>
          pressFit({
            diameter: bore,
            length,
            interference,
            hubOuter,
            shaftInner: inner.bore ?? nanometres(0),
            hubMaterial: hub,
            shaftMaterial: shaft,
            friction: FRICTION,
            ...roughness,
          }),
        )
      : null;
  const { outside, bore: bushBore } = inner;
  const renewal =
    press && journal !== null && clearance && bore !== null && outside !== null && bushBore !== null && length !== null && hub && shaft
      ? orNull(() =>
          bushRenewal({
            housing: { bore, outer: hubOuter, material: hub, ...(outer.roughness === null ? {} : { roughness: outer.roughness }) },
            bush: { outside, bore: bushBore, length, material: shaft, ...(inner.roughness === null ? {} : { roughness: inner.roughness }) },
            journal,
            clearance,
          }),
        )
      : null;
  const ease = fitting.ease ?? nanometres((bore ?? 0) * EASE);
  const warm = (part: FitPart, { expansion }: Material) => ({
    expansion,
    kind: part.kind,
    also: part.also,
    ...(part.temperature === null ? {} : { temperature: part.temperature }),
  });
  const heat =
    interference !== null && bore !== null && hub && shaft
      ? orNull(() =>
          heatToFit({
            diameter: bore,
            interference,
            ease,
            ambient,
            outer: warm(outer, hub),
            inner: warm(inner, shaft),
            ...(fitting.heating ? { heating: fitting.heating } : {}),
          }),
        )
      : null;
  const outerAt = outer.temperature ?? heat?.temperature ?? null;
  const hot =
    fitting.working !== null && interference !== null && bore !== null && hub && shaft
      ? hotInterference({
          diameter: bore,
          interference,
          ambient,
          outer: { expansion: hub.expansion, temperature: fitting.working },
          inner: { expansion: shaft.expansion, temperature: fitting.working },
          ...roughness,
        })
      : null;
  const dew = humidity === null ? null : orNull(() => dewPoint({ air: ambient, humidity }));
  const coldest = Math.min(inner.temperature ?? ambient, outer.temperature ?? ambient);
  return {
    fitting,
    goes: facts.heatings.filter((go) => go.fittingId === fitting.id && !gone.has(go.id)),
    interference,
    press,
    renewal,
    heat,
    outerAt,
    before: droppedBefore(facts, fitting, gone),
    hot,
    dew,
    hand:
      interference !== null && bore !== null && length !== null && hub && shaft && outerAt !== null
        ? handOf(fitting, { interference, hubOuter, hub, shaft, bore, length, outerAt })
        : null,
    cautions: [
      ...placesOfHeat(fitting, outerAt),
      ...(heat?.cautions ?? []).filter(({ code }) => code !== 'overCeiling'),
      ...(dew !== null && coldest < dew
        ? [{ code: 'dew', message: `Below ${dew.toFixed(0)} °C it sweats in this air: dry it and oil it as it goes in.` }]
        : []),
      ...((renewal ?? press)?.cautions ?? []),
      ...(press && interference !== null && interference > 0
        ? [
            {
              code: 'pressing',
              message:
                'Pressing: parts fly; stand aside, and press on the ring that is being fitted, never through the rollers. Hold the flange, never the box.',
            },
          ]
        : []),
    ],
    missing: missingIn(fitting),
  };
}

interface Hand {
  readonly interference: Length;
  readonly hubOuter: Length;
  readonly hub: Material;
  readonly shaft: Material;
  readonly bore: Length;
  readonly length: Length;
  readonly outerAt: number;
}

function handOf({ outer, inner, ambient }: Fitting, { interference, hubOuter, hub, shaft, bore, length, outerAt }: Hand): TimeInHandQuestion {
  const around = ringOf({ outside: hubOuter, bore, weight: outer.weight }, length, hub);
  const within = ringOf({ outside: bore, bore: inner.bore ?? nanometres(0), weight: inner.weight }, length, shaft);
  return {
    diameter: bore,
    length,
    interference,
    ambient,
    outer: { capacity: around.mass * hub.specificHeat, hA: around.skin * STILL_AIR, temperature: outerAt, expansion: hub.expansion },
    inner: {
      capacity: within.mass * shaft.specificHeat,
      hA: within.skin * STILL_AIR,
      temperature: inner.temperature ?? ambient,
      expansion: shaft.expansion,
    },
  };
}

export const fittingsOf = (facts: JobFacts): FittingState[] =>
  facts.fittings.filter(({ gone }) => gone !== true).map((fitting) => fittingState(facts, fitting));

/** How long something that was heated is hot to its neighbours. Common practice, no source. */
const STILL_HOT_MS = 30 * 60_000;

/** Another fit of the job whose part went in hot a short while ago; null where none did. */
export function hotNeighbour(facts: JobFacts, fitting: Fitting, now: string): { readonly name: string; readonly minutes: number } | null {
  const gone = withdrawnIds(facts);
  // of each other fit its last go speaks: what was found home since has cooled
  const last = new Map(facts.heatings.filter((each) => each.fittingId !== fitting.id && !gone.has(each.id)).map((each) => [each.fittingId, each]));
  const go = [...last.values()].findLast((each) => each.outer !== null && each.isHome === null);
  const of = facts.fittings.find((f) => f.id === go?.fittingId);
  if (!go || !of) return null;
  const since = Date.parse(now) - Date.parse(go.at);
  return since >= 0 && since < STILL_HOT_MS ? { name: of.name, minutes: Math.round(since / 60_000) } : null;
}
