import { orNull, refuse } from '../errors.ts';
import { readQuantity, tidy, type Ends, type TorqueUnit } from '../quantity/index.ts';

/** How far a round is pulled: hand tight where there is neither. */
export interface Round {
  /** N·m */
  readonly torque: number | null;
  /** turned on after that, degrees */
  readonly degrees: number | null;
  /** as it is said: "8 lb ft" */
  readonly written: string;
}

const MOST = 8;
/** What stands between two rounds: a comma, a semicolon, "then", an arrow; a stroke or a space before a figure. */
const BETWEEN = /[,;]\s+(?:then\s+)?|\s+then\s+|\s*→\s*|\s*\/\s*(?=\d)|(?<=[a-z°\d])\s+(?=\d)/i;
/** "20 1/2", one figure */
const MIXED = /(\d+) (\d) ?\/ ?([248])(?!\d)/g;
/** How far on in words, and the degrees of it. */
const TURNS: readonly (readonly [RegExp, number])[] = [
  [/(\band )?\b(?:an? )?(?:quarter|1 ?\/ ?4)(?: of a)? turn\b/gi, 90],
  [/(\band )?\b(?:an? )?(?:half|1 ?\/ ?2)(?: of)?(?: a)? turn\b/gi, 180],
  [/(\band )?\b(?:a|one|1) flat\b/gi, 60],
];
const HAND = /^(?:by )?(?:hand|finger)(?:s| tight)?$|^nip(?:ped)? up$|^snug$/i;
const DEGREES = /^\+? ?(\d+(?:[.,]\d+)?) ?(?:°|deg(?:rees)?)$/i;

/**
 * The rounds a joint is pulled in, as they are said one after another: `hand, 8, 16 lb ft`; `hand, 20 N·m, +90°`; `20/40/60 Nm`. A torque with no unit is in
 * that of the next that has one.
 *
 * @param scale what a torque with no unit is in, where none after it has one
 * @throws ReckoningError `empty`, `tooMany`, `notARound`, `backwards` where a round is less than the one before
 * @example readRounds('hand, 8, 16 lb ft', 'lbf·ft')[1].written // '8 lb ft'
 */
export function readRounds(text: string, scale: TorqueUnit): Round[] {
  const parts = TURNS.reduce((said, [words, degrees]) => said.replace(words, (_, and?: string) => `${and ? ', ' : ''}${degrees}°`), tidy(text))
    .replace(MIXED, (_, whole: string, over: string, under: string) => String(Number(whole) + Number(over) / Number(under)))
    .split(BETWEEN)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  if (parts.length === 0) refuse('empty', 'Say in what rounds they are pulled, as in hand, 8, 16 lb ft.');
  if (parts.length > MOST) refuse('tooMany', `That is more than ${MOST} rounds: say fewer.`);
  const unitAfter = (from: number): string => {
    for (const part of parts.slice(from)) {
      const [, unit] = /^[\d.,]+ ?([a-zé·./ -]+?)(?: ?\+.*)?$/i.exec(part) ?? [];
      if (unit && !HAND.test(part)) return unit;
    }
    return scale;
  };
  const rounds = parts.map((part, i) => roundOf(part, unitAfter(i)));
  const torques = rounds.flatMap(({ torque }) => (torque === null ? [] : [torque]));
  if (torques.some((torque, i) => i > 0 && torque < (torques[i - 1] ?? 0) * (1 - SAME)))
    refuse('backwards', 'A round is no less than the one before it: say them in the order they are pulled.');
  return rounds;
}

function roundOf(part: string, unit: string): Round {
  if (HAND.test(part)) return { torque: null, degrees: null, written: '' };
  const [, alone] = DEGREES.exec(part) ?? [];
  if (alone !== undefined) return { torque: null, degrees: turned(alone), written: '' };
  const [torqueText = '', turnText] = part.split(/\s*\+\s*/);
  const said = /[a-z]/i.test(torqueText) ? torqueText : `${torqueText} ${unit}`;
  const read = orNull(() => readQuantity(said));
  if (read?.kind !== 'torque' || !(read.value > 0))
    return refuse('notARound', `“${part.slice(0, 24)}” is no round: say hand, a torque with its unit, or degrees on.`);
  const [, degrees] =
    turnText === undefined ? [] : (DEGREES.exec(turnText) ?? refuse('notARound', `“${turnText.slice(0, 24)}” is no turn: say it in degrees.`));
  return { torque: read.value, degrees: degrees === undefined ? null : turned(degrees), written: said };
}

function turned(text: string): number {
  const degrees = Number(text.replace(',', '.'));
  return degrees > 0 && degrees <= 720 ? degrees : refuse('notARound', 'Turned on by some degrees, and no more than two turns.');
}

/**
 * What its last round pulls a joint to, N·m, where that is not within its limits; null where it is, or where it ends by an angle.
 *
 * @param limits N·m
 * @example endsOutside(readRounds('20, 40 N·m', 'N·m'), { min: 42, max: 48 }) // 40
 */
export function endsOutside(rounds: readonly Round[], { min = 0, max = Infinity }: Ends<number>): number | null {
  const last = rounds.at(-1);
  if (!last || last.torque === null || last.degrees !== null) return null;
  return last.torque < min * (1 - SAME) || last.torque > max * (1 + SAME) ? last.torque : null;
}
/** one unit turned into another */
const SAME = 1e-9;

/** "hand, 8 lb ft, 16 lb ft": rounds as they would be typed. */
export const sayRounds = (rounds: readonly Round[]): string =>
  rounds
    .map(({ torque, degrees, written }) =>
      torque === null && degrees === null
        ? 'hand'
        : [written, ...(degrees === null ? [] : [`${degrees}°`])].filter((word) => word !== '').join(' + '),
    )
    .join(', ');
