import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { inch, mm, nanometres, NM_PER, thou, type Length } from '../quantity/index.ts';
import { INSTRUMENTS, type InstrumentName } from '../reading/index.ts';
import { plainRange, understand, withTolerance, type EntryQuestion, type PlainQuantity } from './index.ts';

type Bare = EntryQuestion<'size'>['bare'];

/** In a line: what was understood, or the meanings asked about, or why it was refused. The other system is left out. */
function outcome(
  text: string,
  field: string,
  bare: Bare,
  quantity?: string,
  expected?: EntryQuestion<'size'>['expected'],
  instrument?: string,
): string {
  const found = understand(text, {
    field: field as 'limits',
    bare,
    ...(quantity ? { quantity: quantity as PlainQuantity } : {}),
    ...(expected ? { expected } : {}),
    ...(instrument ? { instrument: INSTRUMENTS[instrument as InstrumentName] } : {}),
  });
  const short = (said: string): string =>
    said
      .split(', ')
      .map((each) => each.split(' · ')[0])
      .join(', ');
  if (found.kind === 'refused') return `! ${found.code}`;
  if (found.kind === 'understood') return `= ${short(found.said)}`;
  return `? ${found.meanings.map((each) => `${short(each.said)}${each.asTyped ? ' as typed' : ''}`).join(' | ')}`;
}

/** Field or its quantity, workshop, entry, what is made of it. Worked out by hand from the rules, not from the program. */
const TABLE = `
limits thou | 5-8 | = 5–8 thou
limits thou | 5 - 8 | = 5–8 thou
limits thou | 5 to 8 | = 5–8 thou
limits thou | 5…8 | = 5–8 thou
limits thou | 5-8 thou | = 5–8 thou
limits thou | .005-.008 | = 5–8 thou
limits thou | .005 to .008 in | = 5–8 thou
limits thou | 0.005-0.008 | = 5–8 thou
limits thou | 0.05-0.10 | ? 0.050–0.100 mm | 50–100 thou
limits thou | 0.05-0.10 mm | = 0.050–0.100 mm
limits thou | .05-.10 | ? 50–100 thou | 0.050–0.100 mm
limits thou | 0.2-0.5 | = 0.200–0.500 mm
limits thou | 0.5-0.8 | ? 0.5–0.8 thou | 0.500–0.800 mm
limits thou | 1.5-4 | = 1.5–4 thou
limits thou | 2½-4½ | = 2.5–4.5 thou
limits thou | max .003 | = max 3 thou
limits thou | max 9 | = max 9 thou
limits thou | 0.005 max | = max 5 thou
limits thou | under .005 | = max 5 thou
limits thou | under 6 | = max 6 thou
limits thou | not over 6 | = max 6 thou
limits thou | 6 or less | = max 6 thou
limits thou | up to 6 | = max 6 thou
limits thou | at least 2 | = min 2 thou
limits thou | min 2 thou | = min 2 thou
limits thou | 2 or more | = min 2 thou
limits thou | nil to 3 | = 0–3 thou
limits thou | 9 within 2 to 14 | = 9 within 2–14 thou
limits thou | 9 within 2-14 thou | = 9 within 2–14 thou
limits thou | 2-14, aim 9 | = 9 within 2–14 thou
limits thou | 2 to 14 thou aim at 9 | = 9 within 2–14 thou
limits thou | preload 1-3 aim 2 | = preload 2 within preload 1–3 thou
limits thou | 15 within 2 to 14 | ! aimOutside
limits thou | 9 within | ! notLimits
limits thou | aim 9 | ! notLimits
limits thou | .009 within .002 to .014 | = 9 within 2–14 thou
limits mm | 0.06 within 0.04 to 0.10 | = 0.060 within 0.040–0.100 mm
limits mm | 0.06 mm within 0.04 to 0.10 | = 0.060 within 0.040–0.100 mm
limits thou | 0-3 | = 0–3 thou
limits thou | 0 to .003 | = 0–3 thou
limits thou | preload 1-3 | = preload 1–3 thou
limits thou | preload .001-.003 | = preload 1–3 thou
limits thou | crush 1-3 thou | = preload 1–3 thou
limits thou | 3 preload to 2 float | = 3 preload to 2 float thou
limits thou | interference 1-2 | = preload 1–2 thou
limits thou | -3 to -1 | = preload 1–3 thou
limits thou | -3 to 2 | = 3 preload to 2 float thou
limits thou | 5-8 tenths | = 0.5–0.8 thou
limits thou | 6 ±2 | = 4–8 thou
limits thou | 6 +- 2 thou | = 4–8 thou
limits thou | 5/8 | ? 5–8 thou | 0.6250 in, one figure alone
limits thou | 2/4 | ? 2–4 thou | 0.5000 in, one figure alone
limits thou | 5 | = 5.0 thou, one figure alone
limits thou | .005 | = 0.0050 in, one figure alone
limits thou | none | = no limits
limits thou | not known | = no limits
limits thou | nobody knows | = no limits
limits thou | 8-5 | ! reversedLimits
limits thou | 5-8 mm | ? 0.127–0.203 mm | 0.500–0.800 mm | 0.197–0.314 mm | 5.000–8.000 mm as typed
limits thou | 90 lb ft | ! torque
limits thou | 25 Nm | ! torque
limits thou | five to eight | ! notLimits
limits thou | 5-8-9 | ! notLimits
limits thou | | ! empty
limits thou | mm 5-8 | ! unitFirst
limits thou | 1,000 | ! ambiguousComma
limits thou | 1/0 | ! zeroDenominator
limits mm | 0.05-0.10 | = 0.050–0.100 mm
limits mm | 0,05-0,10 | = 0.050–0.100 mm
limits mm | 0.05 to 0.1 mm | = 0.050–0.100 mm
limits mm | .05-.10 | ? 0.050–0.100 mm | 50–100 thou
limits mm | 0.2-0.5 | = 0.200–0.500 mm
limits mm | 5-8 | ? 0.050–0.080 mm | 5–8 thou
limits mm | 1-2 | ? 0.010–0.020 mm | 1–2 thou | 1.000–2.000 mm
limits mm | .005-.008 | = 5–8 thou
limits mm | 0.025-0.051 | ? 0.025–0.051 mm | 25–51 thou
limits mm | 5-8 thou | = 5–8 thou
limits mm | 5-8 hundredths | ? 0.050–0.080 mm | 50–80 thou
limits mm | 5-8 tenths | ? 0.500–0.800 mm | 0.5–0.8 thou
limits mm | 5-8 mil | = 5–8 thou
limits mm | max 0.08 | = max 0.080 mm
limits mm | preload 0.02-0.05 | = preload 0.020–0.050 mm
limits mm | 0.1 | = 0.100 mm, one figure alone
limits/diameter thou | 1.1250-1.1265 | = 1.1250–1.1265 in
limits/diameter thou | 1.125 +0.0015 -0 | = 1.1250–1.1265 in
limits/diameter thou | 0.728 ±0.003 in | = 0.7250–0.7310 in
limits/diameter thou | 1-3/8 in | = 1.3750 in, one figure alone
limits/diameter mm | 27.98-28.02 | = 27.980–28.020 mm
pack thou | 20+8 | = 20.0 thou, 8.0 thou
pack thou | 20 + 8 | = 20.0 thou, 8.0 thou
pack thou | 20 8 | = 20.0 thou, 8.0 thou
pack thou | 20, 8 | = 20.0 thou, 8.0 thou
pack thou | .027 | = 0.0270 in
pack thou | .020 + .005 | = 0.0200 in, 0.0050 in
pack thou | .020 + .005 in | = 0.0200 in, 0.0050 in
pack thou | 0.50 mm + 3 thou | = 0.500 mm, 3.0 thou
pack thou | 0.50 mm | = 0.500 mm
pack thou | 0.50 | = 0.500 mm
pack thou | 2.40 | ? 2.400 mm | 2.4 thou
pack thou | 2.47 | ? 2.470 mm | 2.5 thou
pack thou | .010×4 | = 4 of 0.0100 in
pack thou | 3 x .010 | = 3 of 0.0100 in
pack thou | 5×4 | = 4 of 5.0 thou
pack thou | 4 × 10 thou | ? 4 of 10.0 thou | 10 of 4.0 thou
pack thou | 10 thou × 4 | = 4 of 10.0 thou
pack thou | 2 of 5 thou | = 2 of 5.0 thou
pack thou | 12,13 | ? 12.0 thou, 13.0 thou | 12.1 thou
pack thou | none | = none
pack thou | nil | = none
pack thou | 0 | = none
pack thou | 16 18 swg | = 0.0640 in, 0.0480 in
pack thou | 40 swg | ! notAGauge
pack thou | 27 | = 27.0 thou
pack thou | 15½ | = 15.5 thou
pack thou | 5 | = 5.0 thou
pack thou | 300 | ? 3.000 mm | 300.0 thou as typed
pack thou | 4 shims | ! countOnly
pack thou | 4 leaves | ! countOnly
pack thou | thick one | ! notLeaves
pack thou | .010 × 2.5 | ! notACount
pack thou | 5 × 500 | ! tooMany
pack mm | 0,50+0,20 | = 0.500 mm, 0.200 mm
pack mm | 0.30+0.20 | = 0.300 mm, 0.200 mm
pack mm | 0.5 | = 0.500 mm
pack mm | 2.47 | = 2.470 mm
pack mm | 1 | = 1.000 mm
pack mm | 27 | ? 27.0 thou | 0.270 mm | 27.000 mm as typed
pack mm | .027 | ? 0.027 mm | 0.0270 in
pack mm | 15 thou | = 15.0 thou
pack mm | 0.10×4 | = 4 of 0.100 mm
leaves thou | 6 4×2 12 thou | = 6.0 thou, 2 of 4.0 thou, 12.0 thou
leaves thou | 4×3 2×5 thou | = 3 of 4.0 thou, 5 of 2.0 thou
leaves thou | 2×1 thou | = 2.0 thou
leaves thou | 4×0 | ! notACount
leaves thou | 3×3 5×3 thou, 0.10×2 | ? 3 of 3.0 thou, 3 of 5.0 thou, 2 of 0.100 mm | 3 of 3.0 thou, 3 of 5.0 thou, 2 of 0.1000 in
pack thou | -3 | ! negativePack
pack thou | 5 0 | ! badLeaf
limits thou | 5 thou to 0.2 mm | ! twoUnits
leaves thou | 0.20×2 mm | = 2 of 0.200 mm
leaves mm | 0.10×4 0.15 0.20 | = 4 of 0.100 mm, 0.150 mm, 0.200 mm
size thou | 1.4372 | = 1.4372 in
size thou | .8008 | = 0.8008 in
size thou | .5 | = 0.5000 in
size thou | 38.12 | = 38.120 mm
size thou | 1.25 | = 1.2500 in
size thou | 3/4 | = 0.7500 in
size thou | 1-1/4 | = 1.2500 in
size thou | 1 3/16" | = 1.1875 in
size thou | 7/8 | = 0.8750 in
size thou | ½ | = 0.5000 in
size thou | 25 | ? 25.000 mm | 25.0 thou as typed
size thou | 3 | ? 3.000 mm | 3.0000 in | 3.0 thou as typed
size thou | 25 mm | = 25.000 mm
size thou | 812 thou | = 812.0 thou
size thou | 812 | = 812.0 thou
size thou | abc | ! notASize
size thou | 25 26 | ! notASize
size mm | 25 | = 25.000 mm
size mm | 25.4 | = 25.400 mm
size mm | 38.12 | = 38.120 mm
size mm | 38,12 | = 38.120 mm
size mm | 1.4372 | = 1.4372 in
size mm | 7/8 | = 0.8750 in
size mm | .8008 | = 0.8008 in
size mm | 1.125 in | = 1.1250 in
gasket thou | 15 | = 15.0 thou
gasket thou | 1/64 | = 0.0156 in
gasket mm | 0.4 | = 0.400 mm
spacer thou | 10 | = 10.0 thou
spacer thou | 0.012 | = 0.0120 in
spacer mm | 2.5 | = 2.500 mm
spacer mm | 0.012 | = 0.0120 in
distancePiece thou | 1.103 | ? 1.1030 in | 1.103 mm
distancePiece thou | 2.5 in | = 2.5000 in
roller thou | .250 | = 0.2500 in
roller thou | 1/4 | = 0.2500 in
roller mm | 3.168 | = 3.168 mm
bolt thou | 1-1/2 | = 1.5000 in
bolt mm | 40 | = 40.000 mm
reading@dialThou thou | 88>12 | = 24.0 thou
reading@dialThou thou | 88<12 | = 76.0 thou
reading@dialThou thou | 88 > 12 | = 24.0 thou
reading@dialThou thou | 88>12 +1 | = 124.0 thou
reading@dialThou thou | 87½>99½ | = 12.0 thou
reading@dialThou thou | 88>12>88 | = 24.0 thou
reading@dialThou thou | 88>12>80 | = 24.0 thou, the stand moved
reading@dialThou thou | 88>88 | = at most 0.0 thou
reading@dialThou thou | 120>12 | ! offTheDial
reading@dialThou thou | -3 | ! negativeTravel
reading@dialThou thou | 88-12 | ? 24.0 thou | 76.0 thou
reading@dialThou thou | 88 to 12 | ? 24.0 thou | 76.0 thou
reading@dialThou thou | 87½-99½ | ? 12.0 thou | 88.0 thou
reading@dialThou thou | 600 | ? 600.0 thou as typed
reading@dialMm mm | 88-12 | ? 0.240 mm | 0.760 mm
reading@dialMm mm | 2.4 | ? 0.024 mm | 2.400 mm
reading@dialMm mm | 24.5 | = 0.245 mm
reading@feelersThou thou | 9-10 | = 9.5 thou
reading@feelersThou thou | 10-9 | ! feelersCrossed
reading@feelersThou thou | goes 9,10 | ? at least 19.0 thou | at least 9.1 thou
limits thou | 12,13 | ? 12–13 thou | 12.1 thou, one figure alone
limits thou | 5,8-6,2 | = 5.8–6.2 thou
limits thou | # | ! notLimits
limits thou | -# | ! notLimits
reading@dialThou thou | #>12 | ! notAReading
reading/diameter@micInch thou | 801 | ? 801.0 thou | 8.010 mm
reading/depth@micInch thou | 1103 | ? 1103.0 thou | 11.030 mm
reading/diameter@micInch thou | 99999 | ! tooLong
limits thou | zero to 3 | = 0–3 thou
limits thou | nought to 3 | = 0–3 thou
limits thou | not more than 5 | = max 5 thou
limits thou | not less than 2 | = min 2 thou
limits mm | 5-10 µm | ? 197–393 µm | 50–100 µm | 127–254 µm | 5–10 µm as typed
pack thou | 1000 | ? 1000.0 thou as typed
size mm | 1000 | ? 1000.0 thou | 10.000 mm | 1000.000 mm as typed
reading@dialThou thou | 24 | = 24.0 thou
reading@dialThou thou | 24 24 23 | = mean of 3: 23.7 thou
reading@dialThou thou | 24 25 tenths | = mean of 2: 2.5 thou
reading@dialThou thou | 12.5 | = 12.5 thou
reading@dialThou thou | 0.60 | ? 0.600 mm | 0.6 thou
reading@dialThou thou | 0.60 mm | = 0.600 mm
reading@dialThou thou | .012 | = 0.0120 in
reading@dialThou thou | 12 120 12 | ? mean of 3: 12.0 thou | mean of 3: 48.0 thou as typed
reading@dialThou thou | 12 0.01 | ? mean of 2: 6.005 mm as typed | mean of 2: 6.0050 in as typed | mean of 2: 6.0 thou as typed
reading@dialThou thou | 23½ thou | = 23.5 thou
reading@dialThou thou | 24 mm | ? 0.610 mm | 2.400 mm | 0.945 mm | 24.000 mm as typed
reading@dialThou thou | 12 thousandths | = 12.0 thou
reading@dialThou thou | 90 lb ft | ! torque
reading@dialThou thou | twelve | ! notAReading
reading@dialThou thou | 0.3 mm 12 thou | ! twoUnits
reading@dialMm mm | 88>12 | = 0.240 mm
reading@dialMm mm | 24 | = 0.240 mm
reading@dialMm mm | 0.24 | = 0.240 mm
reading@dialMm mm | 0,24 | = 0.240 mm
reading@dialMm mm | 10 thou | = 10.0 thou
reading@feelersThou thou | goes 9 stops 10 | = 9.5 thou
reading@feelersThou thou | stops 10 goes 9 | = 9.5 thou
reading@feelersThou thou | goes .014 stops .015 | = 14.5 thou
reading@feelersThou thou | goes 9+2 stops 12 | = 11.5 thou
reading@feelersThou thou | goes 9 | = at least 9.0 thou
reading@feelersThou thou | stops 8 | = at most 8.0 thou
reading@feelersThou thou | goes 10 stops 9 | ! feelersCrossed
reading@feelersThou thou | goes 14 stops 15 thou | = 14.5 thou
reading@feelersMm mm | goes 0.15 stops 0.20 | = 0.175 mm
reading@feelersMm mm | goes 0,15 stops 0,20 | = 0.175 mm
reading/depth@depthInch thou | 1.103 less .375 | = 0.7280 in
reading/depth@depthInch thou | .512 .511 .512 less .250 | = mean of 3: 0.2617 in
reading/depth@depthInch thou | proud .020 | = −0.0200 in
reading/depth@depthInch thou | down .020 | = 0.0200 in
reading/depth@depthMm mm | 18.32 less 5 mm | = 13.320 mm
reading/diameter@micInch thou | .8008 .8101 | ? mean of 2: 0.8010 in | mean of 2: 0.8055 in as typed
reading/diameter@micInch thou | .8010 .8008 .8081 | ? mean of 3: 0.8012 in | mean of 3: 0.8033 in as typed
reading/diameter@micMm mm | 24.98 24.97 24.89 | ? mean of 3: 24.977 mm | mean of 3: 24.947 mm as typed
reading/diameter@micMm mm | 24.98 24.97 24.92 | = mean of 3: 24.957 mm
reading@dialThou thou | 11 110 11 | ? mean of 3: 11.0 thou | mean of 3: 44.0 thou as typed
reading/diameter@micInch thou | .8008 8.008 | ? mean of 2: 8.0080 in | mean of 2: 0.8008 in | mean of 2: 4.4044 in as typed
reading/diameter@micInch thou | 1.4372 | = 1.4372 in
reading/diameter@micMm mm | 38.12 | = 38.120 mm
reading/diameter@micMm mm | 38.12 38.13 | = mean of 2: 38.125 mm
reading/diameter@micMm thou | 38.12 | = 38.120 mm
reading/diameter@micMm mm | 25 | = 25.000 mm
reading/diameter@boreInch thou | 1.1265 1.1263 | = mean of 2: 1.1264 in
reading/diameter@boreMm mm | 22,048 | ! ambiguousComma
reading/roller@micInch thou | .1247 .1248 .1246 | = mean of 3: 0.1247 in
reading/roller@micMm mm | 3.168 3.170 | = mean of 2: 3.169 mm
reading/spring@caliperInch thou | 1.482 | = 1.4820 in
reading/spring@caliperMm mm | 37.6 | = 37.600 mm
reading/distancePiece@micInch thou | .1214 | = 0.1214 in
reading/distancePiece@micMm mm | 3.085 | = 3.085 mm
reading@dialMm mm | 88<12 | = 0.760 mm
reading@dialMm mm | 90>3 +1 | = 1.130 mm
reading@dialMm mm | 24 24 23 | = mean of 3: 0.237 mm
reading@feelersMm mm | goes 0.05+0.10 stops 0.20 | = 0.175 mm
reading@feelersMm mm | stops 0.05 | = at most 0.050 mm
reading@feelersThou thou | goes 25+20+12 | = at least 57.0 thou
reading/depth@depthMm mm | 18.32 18.34 18.30 less 5 | = mean of 3: 13.320 mm
reading/depth@depthInch thou | .128 .125 .131 | = mean of 3: 0.1280 in
size/gasket thou | 11 thou | = 11.0 thou
size/gasket mm | 0.28 | = 0.280 mm
size/spacer thou | 18 | = 18.0 thou
size/spacer mm | 0.45 | = 0.450 mm
size/bolt thou | 1-1/8 | = 1.1250 in
size/bolt mm | 30 | = 30.000 mm
size/parallel thou | .500 | = 0.5000 in
size/parallel mm | 10 | = 10.000 mm
limits mm | 0,04-0,09 | = 0.040–0.090 mm
limits thou | 2 to 4 thou | = 2–4 thou
limits thou | interference 1-2 | = preload 1–2 thou
`
  .trim()
  .split('\n')
  .map((line) => /^(\S+) (thou|mm) \|(.*?) \| ([=?!].*)$/.exec(line)?.slice(1) ?? []);

const FIELDS = ['limits', 'pack', 'leaves', 'size', 'reading'];

describe('what is typed', () => {
  it.each(TABLE)('%s, %s workshop: %s', (what = '', bare, text = '', wanted) => {
    const [whole = '', instrument] = what.split('@');
    const [first = '', second] = whole.split('/');
    const [field, quantity] = FIELDS.includes(first) ? [first, second] : ['size', first];
    expect(outcome(text.trim(), field, bare as Bare, quantity, undefined, instrument)).toBe(wanted);
  });
});

/** Sixty entries of a thou workshop and sixty of a metric one, each at the field and instrument where it belongs: an ordinary evening. */
const ORDINARY = `
thou limits | 5-8 ; 3½-7½ ; .005-.008 ; max 9 ; max .011 ; preload 1-3 ; 4 to 7 thou ; 0.05-0.10 mm ; nil to 3 ; 1.125 +.0015 -0 in
thou pack | 20+8 ; .020 + .005 ; 10½ ; none ; 12 ; 20 + 3 ; 15 + 0.10 mm ; .027 ; 5 5 8 ; 6+4
thou leaves | 4×3 2×5 thou ; .010×4 ; 6 4×2 12 thou ; 20 ; 3 5 8 thou ; 0.20×2 mm
thou size/spacer | 18 ; 10 thou ; .018
thou size/gasket | 11 ; .012
thou size/diameter | .8120 ; 7/8 ; 1-3/16
thou size/bolt | 1 in ; 1-1/8 ; 7/8
thou reading@dialThou | 88>12 ; 24 ; 24 24 23 ; 23½ ; 98<86 ; 88>12>88 ; 0>24 ; 12 12 11 ; 6 ; 88>12 +1
thou reading@feelersThou | goes 9 stops 10 ; goes 9 ; goes 25+20 stops 25+21 ; stops 12
thou reading/diameter@micInch | .8098 .8101 ; 1.4372 ; .8105
thou reading/diameter@boreInch | .8152 .8150 ; 1.1265
thou reading/depth@depthInch | .346 ; 1.103 less .375 ; .512 .511 .512
thou reading/distancePiece@micInch | .1214
mm limits | 0.05-0.10 ; 0.03 to 0.09 ; max 0.25 ; 0,04-0,09 ; 0.08 ±0.02 ; preload 0.02-0.05 ; 5-8 thou ; min 0.03 mm ; 20.00 +0.05 -0 ; nil to 0.05
mm pack | 0.50+0.30 ; 0.40 ; none ; 0.50 + 0.10 + 0.05 ; 1,20 ; 2.47 ; 3.90 ; 0.25 + 8 thou ; 0.75+0.20 ; 0.15
mm leaves | 0.20×2 ; 0.10×4 0.15×2 ; 0.50 ; 0.05×10 ; 0.30 0.40 ; 1.00×3
mm size/spacer | 0.45 ; 0.50 mm ; 18 thou
mm size/gasket | 0.30 ; 0.25
mm size/diameter | 22.05 ; 35 ; 18.02
mm size/bolt | 30 ; 25 mm ; 40
mm reading@dialMm | 88>12 ; 24 ; 0.24 ; 24 24 23 ; 98<86 ; 88>12>88 ; 0>24 ; 12 ; 0.09 mm ; 90>3 +1
mm reading@feelersMm | goes 0.15 stops 0.20 ; goes 0.30 ; stops 0.10 ; goes 0.05+0.10 stops 0.20
mm reading/diameter@micMm | 38.12 ; 17.96 17.97 ; 25.004
mm reading/diameter@boreMm | 18.06 18.05 ; 22.048
mm reading/depth@depthMm | 19.05 ; 19.05 less 10 ; 9.23 9.24
mm reading/distancePiece@micMm | 3.085
`
  .trim()
  .split('\n')
  .flatMap((line) => {
    const [, bare = '', what = '', entries = ''] = /^(\S+) (\S+) \| (.*)$/.exec(line) ?? [];
    return entries.split(' ; ').map((text) => ({ bare: bare as Bare, what, text }));
  });

it('of a hundred and twenty ordinary entries no more than eight are asked about, and none is refused', () => {
  expect(ORDINARY).toHaveLength(120);
  const made = ORDINARY.map(({ bare, what, text }) => {
    const [whole = '', instrument] = what.split('@');
    const [field = '', quantity] = whole.split('/');
    return `${bare} ${what} ${text} ${outcome(text, field, bare, quantity, undefined, instrument)}`;
  });
  expect(made.filter((each) => each.includes(' ! '))).toEqual([]);
  const asked = made.filter((each) => each.includes(' ? '));
  expect([asked.length <= 8, asked]).toEqual([true, asked]);
});

it('the table of entries has two hundred and fifty and more', () => expect(TABLE.length).toBeGreaterThanOrEqual(250));

describe('where something is expected', () => {
  const about = (min: Length, max: Length) => ({ min, max });
  it('one meaning in it, and every other four times off, is understood', () => {
    // 2.40 mm is 94.5 thou, and 2.4 thou is 0.061 mm: with about 2.5 mm expected it is the first
    expect(outcome('2.40', 'size', 'thou', 'leaf', about(mm(2), mm(3)))).toBe('= 2.400 mm');
    expect(outcome('2.40', 'size', 'thou', 'leaf', about(thou(2), thou(4)))).toBe('= 2.4 thou');
    expect(outcome('2.40', 'size', 'thou', 'leaf')).toBe('? 2.400 mm | 2.4 thou');
  });
  it('where a hand went has no point to slip: the other way and a whole turn are asked about', () => {
    const read = (text: string) => outcome(text, 'reading', 'thou', undefined, about(thou(10), thou(14)), 'dialThou');
    expect(read('98>86')).toBe('? 12.0 thou | 88.0 thou as typed');
    expect(read('88>0')).toBe('= 12.0 thou');
    expect(read('0>24')).toBe('= 24.0 thou');
    expect(outcome('88>0', 'reading', 'thou', undefined, about(thou(100), thou(120)), 'dialThou')).toBe('? 112.0 thou | 12.0 thou as typed');
  });
  it('of one figure apart from the others, that which makes what is expected comes first', () => {
    const read = (text: string) => outcome(text, 'reading', 'thou', 'diameter', about(inch(0.2), inch(3.2)), 'micInch');
    expect(read('.8151 8.152')).toBe('? mean of 2: 0.8152 in | mean of 2: 8.1515 in | mean of 2: 4.4836 in as typed');
  });
  it('two meanings near it are asked about all the same', () => {
    expect(outcome('5', 'size', 'mm', 'float', about(thou(1), thou(9)))).toBe('? 0.050 mm | 5.0 thou');
  });
  it('a factor off it is asked about, with what was typed last; two to four times off is a surprise, and kept', () => {
    expect(outcome('240 thou', 'size', 'thou', 'spacer', about(thou(20), thou(30)))).toBe('? 24.0 thou | 240.0 thou as typed');
    expect(outcome('70 thou', 'size', 'thou', 'spacer', about(thou(20), thou(30)))).toBe('= 70.0 thou');
  });
});

describe('any value in a written unit', () => {
  const UNITS = { mm: 3, in: 4, thou: 1, um: 0 } as const;
  const QUANTITIES: readonly PlainQuantity[] = ['float', 'leaf', 'spacer', 'gasket', 'distancePiece', 'diameter', 'roller', 'bolt', 'spring'];
  const entries = fc
    .record({
      quantity: fc.constantFrom(...QUANTITIES),
      unit: fc.constantFrom('mm', 'in', 'thou', 'um'),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      bare: fc.constantFrom<Bare>('thou', 'mm'),
      known: fc.boolean(),
    })
    .map(({ quantity, unit, share, ...rest }) => {
      const { min, max } = plainRange(quantity);
      const text = ((min + share * (max - min)) / NM_PER[unit as keyof typeof UNITS]).toFixed(UNITS[unit as keyof typeof UNITS]);
      return { quantity, text: `${text} ${unit}`, value: nanometres(Number(text) * NM_PER[unit as keyof typeof UNITS]), ...rest };
    })
    .filter(({ quantity, value }) => value >= plainRange(quantity).min && value <= plainRange(quantity).max);
  it('is that value, with nothing expected or with something that holds it', () => {
    fc.assert(
      fc.property(entries, ({ quantity, text, value, bare, known }) => {
        const expected = known ? { expected: { min: nanometres(value * 0.5), max: nanometres(value * 2) } } : {};
        expect(understand(text, { field: 'size', bare, quantity, ...expected })).toMatchObject({ kind: 'understood', value });
      }),
    );
  });
  it('is never another: whatever is typed is understood, asked or refused, and never thrown', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('size', 'limits', 'pack', 'leaves'), fc.constantFrom<Bare>('thou', 'mm'), (text, field, bare) => {
        expect(['understood', 'ask', 'refused']).toContain(understand(text, { field: field as 'size', bare }).kind);
      }),
    );
  });
});

it('says back what it kept: limits in whole nanometres, leaves with how many', () => {
  expect(understand('.005-.008', { field: 'limits', bare: 'thou' })).toEqual({
    kind: 'understood',
    value: { min: thou(5), max: thou(8) },
    unit: 'in',
    said: '5–8 thou · 0.127–0.203 mm',
  });
  expect(understand('.010×4', { field: 'pack', bare: 'thou' })).toMatchObject({
    value: [{ thickness: inch(0.01), count: 4, written: '.010', unit: 'in' }],
  });
  expect(understand('16 swg', { field: 'pack', bare: 'mm' })).toMatchObject({ value: [{ written: '0.064', unit: 'in' }] });
  expect(understand('15½', { field: 'pack', bare: 'thou' })).toMatchObject({ value: [{ written: '15 1/2', unit: 'thou' }] });
  expect(understand('nil to 3', { field: 'limits', bare: 'thou' })).toMatchObject({ value: { min: 0, max: thou(3) } });
  expect(understand('12', { field: 'limits', bare: 'thou' })).toMatchObject({ value: { single: thou(12) } });
});

describe('limits to judge by', () => {
  const judged = (text: string, bare: Bare = 'thou') => withTolerance(understand(text, { field: 'limits', bare }));
  it('one figure alone is asked about: a middle with a tolerance of a thou or two hundredths, or the most', () => {
    expect(judged('6')).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: thou(5), max: thou(7) } }, { value: { max: thou(6) } }, { value: { single: thou(6) } }],
    });
    expect(judged('0.10', 'mm')).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: mm(0.08), max: mm(0.12) } }, { value: { max: mm(0.1) } }, { value: { single: mm(0.1) } }],
    });
  });
  it('among several meanings it is each of these, and two figures are left as they are', () => {
    expect(judged('5/8')).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: thou(5), max: thou(8) } }, { value: { max: inch(0.626) } }, {}, {}],
    });
    expect(judged('5-8')).toMatchObject({ kind: 'understood', value: { min: thou(5), max: thou(8) } });
  });
  it('none is no limit to judge by', () => expect(judged('none')).toMatchObject({ kind: 'refused', code: 'noLimits' }));
});
