/**
 * Every unit a manual or a tool of this trade is likely to be marked in, beside lengths. `per` is the base unit in one of it; the
 * bases are N·m, N, Pa, m³, °C, m/s, rad/s and degrees. Exact by definition where the note says so.
 */
export type OtherQuantity = 'torque' | 'force' | 'pressure' | 'volume' | 'temperature' | 'speed' | 'turning' | 'angle';
export type QuantityKind = 'length' | OtherQuantity;

export interface UnitOf {
  readonly name: string;
  readonly kind: OtherQuantity;
  readonly per: number;
  /** added before scaling: temperatures only, base = (value + plus) × per */
  readonly plus?: number;
  /** how it is typed, in small letters without spaces, points, dots or hyphens */
  readonly typed: readonly string[];
  readonly note?: string;
}

const POUND_FORCE = 4.4482216152605; // N, exact: 0.45359237 kg × 9.80665 m/s²
const KILOGRAM_FORCE = 9.80665; // N, exact: standard gravity, CGPM 1901
const FOOT = 0.3048; // m, exact: 1959
const INCH = 0.0254;
const IMPERIAL_GALLON = 4.54609e-3; // m³, exact: Weights and Measures Act 1985
const US_GALLON = 231 * INCH ** 3; // m³, exact: 231 cubic inches
const MILE = 1609.344; // m, exact

const torque = (name: string, per: number, ...typed: string[]): UnitOf => ({ name, kind: 'torque', per, typed });
const force = (name: string, per: number, note: string | undefined, ...typed: string[]): UnitOf => ({
  name,
  kind: 'force',
  per,
  typed,
  ...(note === undefined ? {} : { note }),
});
const pressure = (name: string, per: number, ...typed: string[]): UnitOf => ({ name, kind: 'pressure', per, typed });
const volume = (name: string, per: number, ...typed: string[]): UnitOf => ({ name, kind: 'volume', per, typed });

const A_WEIGHT = 'a weight is taken as the pull it makes';

export const UNITS: readonly UnitOf[] = [
  torque('N·m', 1, 'nm', 'newtonmetre', 'newtonmeter', 'newtonmetres', 'newtonmeters'),
  torque(
    'lbf·ft',
    POUND_FORCE * FOOT,
    'lbfft',
    'lbft',
    'lbsft',
    'lbfeet',
    'lbsfeet',
    'ftlb',
    'ftlbs',
    'ftlbf',
    'lb/ft',
    'lbs/ft',
    'footpound',
    'footpounds',
    'footlb',
    'footlbs',
    'poundfoot',
    'poundfeet',
    'poundsfeet',
    'poundsft',
    'lbfoot',
  ),
  torque(
    'lbf·in',
    POUND_FORCE * INCH,
    'lbfin',
    'lbin',
    'lbins',
    'lbsin',
    'lbsins',
    'lbinch',
    'lbinches',
    'inlb',
    'inlbs',
    'inlbf',
    'inslb',
    'inslbs',
    'inchlb',
    'inchlbs',
    'inchpound',
    'inchpounds',
    'poundinch',
    'poundinches',
    'poundsinch',
    'poundsinches',
  ),
  torque('kgf·m', KILOGRAM_FORCE, 'kgfm', 'kgm', 'mkg', 'mkgf', 'kpm', 'mkp'),
  torque('kgf·cm', KILOGRAM_FORCE / 100, 'kgfcm', 'kgcm', 'cmkg', 'kpcm', 'cmkp'),
  torque('ozf·in', (POUND_FORCE / 16) * INCH, 'ozfin', 'ozin', 'inoz', 'inozf', 'ozins'),
  force('N', 1, undefined, 'n', 'newton', 'newtons'),
  force('kN', 1000, undefined, 'kn'),
  force('lbf', POUND_FORCE, undefined, 'lbf', 'poundsforce', 'poundforce'),
  force('lbf', POUND_FORCE, A_WEIGHT, 'lb', 'lbs', 'pound', 'pounds'),
  force('kgf', KILOGRAM_FORCE, undefined, 'kgf', 'kp'),
  force('kgf', KILOGRAM_FORCE, A_WEIGHT, 'kg', 'kilo', 'kilos', 'kgs'),
  force('ozf', POUND_FORCE / 16, A_WEIGHT, 'oz', 'ozf', 'ounce', 'ounces'),
  force('gf', KILOGRAM_FORCE / 1000, A_WEIGHT, 'g', 'gf', 'gram', 'grams', 'gramme', 'grammes'),
  force('tonf', 2240 * POUND_FORCE, 'the long ton of 2240 lb', 'ton', 'tons', 'tonf'),
  pressure('psi', POUND_FORCE / INCH ** 2, 'psi', 'lb/in2', 'lbf/in2', 'lbs/in2', 'lb/sqin', 'lbs/sqin', 'lbf/sqin', 'lbpersqin', 'lbspersqin'),
  pressure('bar', 1e5, 'bar', 'bars'),
  pressure('kPa', 1e3, 'kpa'),
  pressure('MPa', 1e6, 'mpa', 'n/mm2'),
  pressure('Pa', 1, 'pa'),
  pressure('kgf/cm²', KILOGRAM_FORCE * 1e4, 'kg/cm2', 'kgf/cm2', 'kgcm2', 'kp/cm2'),
  pressure('tonf/in²', (2240 * POUND_FORCE) / INCH ** 2, 'ton/in2', 'tons/in2', 'tonf/in2', 'tsi', 'tons/sqin', 'ton/sqin'),
  volume('l', 1e-3, 'l', 'litre', 'litres', 'liter', 'liters', 'ltr', 'ltrs'),
  volume('ml', 1e-6, 'ml', 'cc', 'cm3', 'ccs', 'cubiccentimetres'),
  volume('imp pt', IMPERIAL_GALLON / 8, 'imppt', 'imppint', 'imppints', 'imperialpint', 'imperialpints', 'ukpt', 'ukpint', 'ukpints'),
  volume('US pt', US_GALLON / 8, 'uspt', 'uspint', 'uspints'),
  volume('imp qt', IMPERIAL_GALLON / 4, 'impqt', 'impquart', 'impquarts', 'imperialquart', 'imperialquarts'),
  volume('US qt', US_GALLON / 4, 'usqt', 'usquart', 'usquarts'),
  volume('imp gal', IMPERIAL_GALLON, 'impgal', 'impgallon', 'impgallons', 'imperialgallon', 'imperialgallons', 'ukgal', 'ukgallon', 'ukgallons'),
  volume('US gal', US_GALLON, 'usgal', 'usgallon', 'usgallons'),
  volume('imp fl oz', IMPERIAL_GALLON / 160, 'impfloz', 'ukfloz', 'imperialfloz'),
  volume('US fl oz', US_GALLON / 128, 'usfloz'),
  volume('in³', INCH ** 3, 'in3', 'cuin', 'cuins', 'cubicinch', 'cubicinches'),
  { name: '°C', kind: 'temperature', per: 1, typed: ['°c', 'c', 'degc', 'degreesc', 'celsius', 'centigrade', 'degreescelsius', 'degreescentigrade'] },
  { name: '°F', kind: 'temperature', per: 5 / 9, plus: -32, typed: ['°f', 'f', 'degf', 'degreesf', 'fahrenheit', 'degreesfahrenheit'] },
  { name: 'K', kind: 'temperature', per: 1, plus: -273.15, typed: ['k', 'kelvin'] },
  { name: 'mph', kind: 'speed', per: MILE / 3600, typed: ['mph', 'mile/h', 'miles/h', 'mi/h', 'milesperhour', 'milesanhour'] },
  { name: 'km/h', kind: 'speed', per: 1 / 3.6, typed: ['km/h', 'kmh', 'kph', 'kmph'] },
  { name: 'm/s', kind: 'speed', per: 1, typed: ['m/s', 'metres/s', 'mpersec'] },
  { name: 'm/min', kind: 'speed', per: 1 / 60, typed: ['m/min', 'metres/min'] },
  { name: 'ft/min', kind: 'speed', per: FOOT / 60, typed: ['ft/min', 'fpm', 'sfm', 'feet/min', 'feetperminute', 'ftpermin'] },
  { name: 'ft/s', kind: 'speed', per: FOOT, typed: ['ft/s', 'ft/sec', 'feet/s', 'fps'] },
  {
    name: 'rev/min',
    kind: 'turning',
    per: (2 * Math.PI) / 60,
    typed: ['rpm', 'rev/min', 'revs/min', 'r/min', 'revpermin', 'revspermin', 'turns/min', 'revolutions/min'],
  },
  { name: 'rev/s', kind: 'turning', per: 2 * Math.PI, typed: ['rev/s', 'rps', 'revs/s', 'rev/sec', 'revs/sec', 'turns/s'] },
  { name: 'rad/s', kind: 'turning', per: 1, typed: ['rad/s', 'rad/sec'] },
  { name: '°', kind: 'angle', per: 1, typed: ['°', 'deg', 'degs', 'degree', 'degrees'] },
  { name: '′', kind: 'angle', per: 1 / 60, typed: ['′', 'arcmin', 'minofarc', 'minutesofarc', 'minuteofarc'] },
  { name: 'rad', kind: 'angle', per: 180 / Math.PI, typed: ['rad', 'rads', 'radian', 'radians'] },
  { name: 'turn', kind: 'angle', per: 360, typed: ['turn', 'turns', 'rev', 'revs'] },
];

/** What stands alone could be either gallon's: asked, never guessed. */
export const TWO_GALLONS: Readonly<Record<string, readonly [string, string]>> = {
  pint: ['imp pt', 'US pt'],
  pints: ['imp pt', 'US pt'],
  pt: ['imp pt', 'US pt'],
  pts: ['imp pt', 'US pt'],
  quart: ['imp qt', 'US qt'],
  quarts: ['imp qt', 'US qt'],
  qt: ['imp qt', 'US qt'],
  qts: ['imp qt', 'US qt'],
  gallon: ['imp gal', 'US gal'],
  gallons: ['imp gal', 'US gal'],
  gal: ['imp gal', 'US gal'],
  gals: ['imp gal', 'US gal'],
  floz: ['imp fl oz', 'US fl oz'],
  fluidounces: ['imp fl oz', 'US fl oz'],
};

/** A few units of each kind, those a page shows an answer in, first the one most likely wanted. */
export const SHOWN_IN: Readonly<Record<OtherQuantity, readonly string[]>> = {
  torque: ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m', 'kgf·cm'],
  force: ['N', 'lbf', 'kgf', 'ozf'],
  pressure: ['bar', 'psi', 'MPa', 'kgf/cm²', 'tonf/in²'],
  volume: ['l', 'imp pt', 'US pt', 'imp gal', 'US qt', 'ml'],
  temperature: ['°C', '°F', 'K'],
  speed: ['mph', 'km/h', 'm/s', 'ft/min'],
  turning: ['rev/min', 'rev/s', 'rad/s'],
  angle: ['°', '′', 'rad', 'turn'],
};

const METRIC = new Set([
  'N·m',
  'kgf·m',
  'kgf·cm',
  'N',
  'kN',
  'kgf',
  'gf',
  'bar',
  'kPa',
  'MPa',
  'Pa',
  'kgf/cm²',
  'l',
  'ml',
  '°C',
  'K',
  'km/h',
  'm/s',
  'm/min',
]);

/** The two columns of a spec sheet: thou, pounds and pints in one, millimetres, newtons and litres in the other. */
export const isMetricUnit = (unit: string): boolean => METRIC.has(unit);
