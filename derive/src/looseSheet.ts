import {
  isChosen,
  leavesTotal,
  packWindow,
  packWindowSum,
  readingOf,
  ReckoningError,
  senseAndFactor,
  sensesFromLayout,
  shaftModel,
  shaftTemplate,
  templateGraph,
  TEMPLATES,
  type Arrangement,
  type Instrument,
  type LeafLine,
  type Length,
  type LimitsEntry,
  type PackWindow,
  type Place,
  type Reading,
  type ReadingEntry,
  type Sense,
  type Sum,
  type TemplateName,
} from '@elder-cog/core';

/** What is on the sheet, as it was understood; null where nothing is yet. */
export interface LooseEntry {
  readonly limits: LimitsEntry | null;
  readonly pack: readonly LeafLine[] | null;
  readonly reading: ReadingEntry | null;
  readonly place: Place;
  readonly arrangement: Arrangement;
  /** a ready shaft that is no pair of tapers: its pack works as it is drawn */
  readonly template?: TemplateName;
  readonly instrument: Instrument;
}

export interface LooseSheet {
  readonly fitted: Length | null;
  readonly reading: Reading | null;
  readonly sense: Sense;
  readonly window: PackWindow | null;
  readonly refusal: string | null;
  readonly sum: Sum;
}

/** The place of a ready shaft whose thickness sets its one float, and which way; null where it has several floats, or none is set so. */
export function setBy(template: TemplateName, place: Place): { readonly role: string; readonly sense: Sense } | null {
  const ready = shaftTemplate(template, place);
  if (ready.gaps.length !== 1) return null;
  const slots = ready.places.filter(isChosen).map(({ role }) => ({ id: role, length: role }));
  const { gaps, depths } = shaftModel(templateGraph(ready), slots, { depths: ready.depths.map(({ role, from, to }) => ({ id: role, from, to })) });
  const senseOf = (id: string): Sense => senseAndFactor(gaps[0]?.coefficients[id] ?? 0).sense;
  // what sets where a gear stands is never offered for a float
  const moving = slots.find(({ id }) => senseOf(id) !== 0 && depths.every(({ coefficients }) => coefficients[id] === 0));
  return moving ? { role: moving.id, sense: senseOf(moving.id) } : null;
}

/** The ready shafts that a Loose sheet does for: one float, and one place that sets it. */
export const looseTemplates = (): readonly TemplateName[] =>
  (Object.keys(TEMPLATES) as TemplateName[]).filter((template) => TEMPLATES[template].places.some(({ place }) => setBy(template, place) !== null));

/** Limits, pack in now, reading and place → the pack to fit, with nothing set up. */
export function looseSheet({ limits, pack, reading: entry, place, arrangement, template, instrument }: LooseEntry): LooseSheet {
  const sense = template === undefined ? sensesFromLayout({ place, arrangement }) : (setBy(template, place)?.sense ?? 0);
  const fitted = pack && leavesTotal(pack);
  const reading = entry && readingOf(entry, instrument).reading;
  const base = { fitted, reading, sense };
  if (!limits || fitted === null || !reading) return { ...base, window: null, refusal: null, sum: [] };
  const { aim: value, ...within } = limits;
  const aim = value === undefined ? {} : { aim: { at: 'value' as const, value } };
  const question = { fittedPack: fitted, measured: reading, limits: within, ...aim, sense };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: packWindowSum(question) };
  } catch (error) {
    if (error instanceof ReckoningError) return { ...base, window: null, refusal: error.message, sum: [] };
    throw error;
  }
}
