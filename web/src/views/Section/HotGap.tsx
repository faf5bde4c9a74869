import { formatLength, formatLimits, MARK_WORDS, MATERIALS, nanometres, overCeiling, unitWord, type Length } from '@elder-cog/core';
import {
  givenLimits,
  hotGrowth,
  hotQuestion,
  movedLimits,
  placeOf,
  type GapState,
  type HotGroup,
  type HotQuestion,
  type HotState,
  type ShaftState,
} from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Chip, Field, Heading, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { readTemperature } from '../../state/temperature.ts';
import { bareUnit } from '../../state/understood.ts';
import { HotChart } from './HotChart.tsx';

/** What a class of material most often is. Common practice, no source. */
const USUALLY: Readonly<Record<string, string>> = {
  iron: 'grey cast iron',
  steel: 'mild steel',
  bronze: 'phosphor bronze',
  brass: 'brass',
};

/** A gap as its parts warm: how far it opens or closes, what it must read cold to be right hot, and a chart of it. */
export default function HotGap({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { facts } = useJob();
  const question = useMemo(() => hotQuestion(facts, shaft, gap), [facts, shaft, gap]);
  if (!question) return <p className="m-0 text-ink2">Nothing joins the two faces of this gap: put the shaft together first.</p>;
  return <Warmed key={gap.station.id} question={question} gap={gap} />;
}

interface Typed {
  readonly cold: string;
  readonly case: string;
  readonly shaft: string;
}

function Warmed({ question, gap }: { question: HotQuestion; gap: GapState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const [typed, setTyped] = useState<Typed>({ cold: '20', case: '80', shaft: '80' });
  const [materials, setMaterials] = useState<Readonly<Record<string, string>>>({});
  const [grip, setGrip] = useState<HotState['grip']>(null);
  const span = useEntry({ field: 'size', bare: bareUnit(gap), quantity: 'distancePiece' });
  const named = (group: HotGroup): string => materials[group.id] ?? USUALLY[group.material] ?? 'mild steel';
  const temperatures = { cold: readTemperature(typed.cold), case: readTemperature(typed.case), shaft: readTemperature(typed.shaft) };
  const { cold, case: caseHot, shaft: shaftHot } = temperatures;
  const known = cold.value !== null && caseHot.value !== null && shaftHot.value !== null;
  const state = (part = 1): HotState => ({
    rise: { case: part * ((caseHot.value ?? 0) - (cold.value ?? 0)), shaft: part * ((shaftHot.value ?? 0) - (cold.value ?? 0)) },
    expansion: Object.fromEntries(question.groups.map((group) => [group.id, MATERIALS.find((m) => m.name === named(group))?.expansion ?? 0])),
    span: span.meaning?.value ?? null,
    grip,
  });
  const growth = known ? hotGrowth(question, state()) : null;
  return (
    <div className="grid gap-x-6 gap-y-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        <div className="grid grid-cols-3 gap-x-3">
          {(
            [
              ['cold', 'Read at, °C'],
              ['case', question.isHub ? 'Hub, hot' : 'Case, hot'],
              ['shaft', 'Shaft, hot'],
            ] as const
          ).map(([key, label]) => (
            <Field
              key={key}
              id={`hot-${key}`}
              label={label}
              value={typed[key]}
              onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
              refusal={temperatures[key].refusal}
              says={tooHot(temperatures[key].value)}
            />
          ))}
        </div>
        {question.groups.map((group) => (
          <label key={group.id} className="mt-1 block">
            <span className="block leading-6">{listed(group.parts)}</span>
            <select
              value={named(group)}
              onChange={(event) => setMaterials({ ...materials, [group.id]: event.target.value })}
              className="h-12 w-full border border-edge bg-sheet px-2 text-[16px]"
            >
              {MATERIALS.map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          </label>
        ))}
        {question.missing.length > 0 && (
          <div className="mt-2">
            <EntryField entry={span} id="hot-span" label="How far it spans, about" placeholder={bareUnit(gap) === 'mm' ? 'like 150' : 'like 6 in'} />
            <p className="m-0 text-[15px] leading-5 text-ink2">
              Not every size on the way is measured. The span of the two bearings, or the length of the bush a gear runs on, is near enough.
            </p>
          </div>
        )}
        {question.cups > 0 && <Grip bare={bareUnit(gap)} onGrip={setGrip} />}
      </div>
      <div>
        {growth !== null ? (
          <Hot gap={gap} growth={growth} unit={unit} />
        ) : (
          <p className="m-0 text-ink2">{known ? 'Say how far it spans: what heat makes of the gap is told here.' : 'Say how warm.'}</p>
        )}
        {growth !== null && gap.now.reading?.kind === 'estimate' && (
          <HotChart
            points={STEPS.map((part) => ({
              at: (cold.value ?? 0) + part * ((caseHot.value ?? 0) - (cold.value ?? 0)),
              gap: nanometres((gap.now.reading?.value ?? 0) + (hotGrowth(question, state(part)) ?? 0)),
            }))}
            limits={gap.limits ? givenLimits(gap.limits.fact) : {}}
            unit={unit}
          />
        )}
      </div>
    </div>
  );
}

/** What is commonly in a box, and bears no more: said where such heat is typed. */
function tooHot(celsius: number | null): JSX.Element | string {
  const over = celsius === null ? null : overCeiling(celsius, ['lipSeal', 'rollingBearing']);
  return over ? <Refusal>{over.message}</Refusal> : '';
}

/** From cold to a quarter hotter than hot. */
const STEPS = Array.from({ length: 26 }, (_, i) => i / 20);

/** "Casing; cover and 2 more". */
function listed(parts: readonly string[]): string {
  const [shown, more] = parts.length > 3 ? [parts.slice(0, 2), parts.length - 2] : [parts, 0];
  const words = shown.join('; ');
  const sentence = words.charAt(0).toUpperCase() + words.slice(1).toLowerCase();
  return more > 0 ? `${sentence} and ${more} more` : sentence;
}

/** What it comes to hot; and whether its limits hold cold, as it is read, or hot. */
function Hot({ gap, growth, unit }: { gap: GapState; growth: Length; unit: 'thou' | 'mm' }): JSX.Element {
  const { send, sending } = useCommand();
  const { now, limits, station } = gap;
  const read = now.reading?.kind === 'estimate' ? now.reading.value : null;
  const by = `${formatLength(nanometres(Math.abs(growth)), unit)} ${unitWord(unit)}`;
  const given = limits && givenLimits(limits.fact);
  const isHot = (limits?.closesBy ?? 0) !== 0;
  const { closesBy: _, ...plain } = station.aim;
  const hold = (aim: typeof station.aim): void => void send(stationChange(station, { aim })).catch(() => undefined);
  return (
    <>
      <Heading>{growth === 0 ? 'It stays as it is' : `Hot, it ${growth > 0 ? 'opens' : 'closes'} by ${by}`}</Heading>
      {read !== null && (
        <p className="m-0 text-[18px]">
          <span className="num">
            {formatLength(read, unit)} {growth < 0 ? '−' : '+'} {formatLength(nanometres(Math.abs(growth)), unit)} ={' '}
          </span>
          <strong className="num text-[24px] font-semibold">{formatLength(nanometres(read + growth), unit)}</strong> {unitWord(unit)}
          {given && isHot && `, ${MARK_WORDS[placeOf(nanometres(read + growth), given, station)].toLowerCase()}`}
        </p>
      )}
      <p className="m-0 text-[15px] leading-5 text-ink2">Reckoned, from what such materials usually grow by: parts differ by a few per cent.</p>
      {given && (
        <div role="group" aria-label="The limits hold" className="mt-2 flex flex-wrap items-center gap-2">
          <span>The limits hold</span>
          <Chip on={!isHot} disabled={sending} onClick={() => isHot && hold(plain)}>
            cold, as it is read
          </Chip>
          <Chip on={isHot} disabled={sending || growth === 0} onClick={() => hold({ ...plain, closesBy: nanometres(-growth) })}>
            hot
          </Chip>
        </div>
      )}
      {given && (
        <p className="m-0 mt-1">
          To be right hot, cold it must read <strong className="num font-semibold">{formatLimits(movedLimits(given, -growth), unit)}</strong>.
          {isHot && limits.closesBy !== -growth && ' It is held against another growth than this: press hot again to take this one.'}
        </p>
      )}
    </>
  );
}

/** How tight the cups are in the case, where they are let go of as it warms. */
function Grip({ bare, onGrip }: { bare: 'thou' | 'mm'; onGrip: (grip: HotState['grip']) => void }): JSX.Element {
  const [on, setOn] = useState(false);
  const interference = useEntry({ field: 'size', bare, quantity: 'float' }, { onKeep: () => tell() });
  const outside = useEntry({ field: 'size', bare, quantity: 'diameter' }, { onKeep: () => tell() });
  const raceway = useEntry({ field: 'size', bare, quantity: 'diameter' }, { onKeep: () => tell() });
  const [angle, setAngle] = useState('14');
  const [refusal, setRefusal] = useState<string | null>(null);
  function tell(): void {
    const degrees = Number(angle.replace(',', '.'));
    if (!interference.meaning || !outside.meaning || !raceway.meaning) return onGrip(null);
    const isAngle = degrees > 0 && degrees < 45;
    const isInside = raceway.meaning.value < outside.meaning.value;
    setRefusal(isAngle ? (isInside ? null : 'The raceway lies inside the cup: the outside is the larger.') : 'The angle lies between 0 and 45°.');
    onGrip(
      isAngle && isInside
        ? { interference: interference.meaning.value, outside: outside.meaning.value, raceway: raceway.meaning.value, angle: degrees }
        : null,
    );
  }
  return (
    <div className="mt-2 border-t border-rule pt-1">
      <label className="flex min-h-12 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          checked={on}
          onChange={() => {
            setOn(!on);
            if (on) onGrip(null);
          }}
          className="h-5 w-5 accent-blue"
        />
        the cups are pressed into the case, and it lets go of them
      </label>
      {on && (
        <form
          className="grid grid-cols-2 gap-x-3"
          onBlur={tell}
          onSubmit={(event) => {
            event.preventDefault();
            tell();
          }}
        >
          <EntryField entry={interference} id="grip-by" label="Pressed by" placeholder={bare === 'mm' ? 'like 0.03' : 'like 1.2'} />
          <EntryField entry={outside} id="grip-outside" label="Cup, outside" placeholder={bare === 'mm' ? 'like 62' : '2.44 in'} />
          <EntryField entry={raceway} id="grip-raceway" label="Its raceway, middle" placeholder={bare === 'mm' ? 'like 52' : '2.05 in'} />
          <Field label="Angle, degrees" value={angle} onChange={(event) => setAngle(event.target.value)} refusal={refusal} />
        </form>
      )}
    </div>
  );
}
