import type { Joint } from '@elder-cog/contract';
import {
  describeLength,
  DRESSINGS,
  GRADES,
  orNull,
  pitchInName,
  readRounds,
  saysLeftHand,
  sayRounds,
  spannerFor,
  tappingDrill,
  threadNamed,
  threadsNamed,
  threadsPerInch,
  type Thread,
  understand,
  understandPitch,
  type Length,
  type Round,
} from '@elder-cog/core';
import { torqueOfJoint, type JointState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Quiet, Secondary } from '../../kit/controls.tsx';
import { KeptSize } from '../../kit/KeptSize.tsx';
import { KeptText } from '../../kit/KeptText.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { changeJoint } from '../../state/jointActions.ts';
import { useRowPatches } from '../../state/rowPatches.ts';
import { useSettings } from '../../state/settings.ts';
import { understood } from '../../state/understood.ts';

const LOCKS: readonly Joint['lock']['kind'][] = ['none', 'split pin', 'tab', 'staked', 'wire', 'lock nut', 'spring washer', 'thread lock'];
const ONE_USE: ReadonlySet<string> = new Set(['split pin', 'tab', 'staked', 'wire', 'spring washer', 'thread lock']);

/** What a joint is: how many, of what thread and grade, how dressed and locked, and in what rounds it is pulled. */
export function JointForm({ state }: { state: JointState }): JSX.Element {
  const { joint } = state;
  const { facts } = useJob();
  const { send } = useCommand();
  const bare = useSettings((s) => s.bare);
  const patch = useRowPatches(joint, changeJoint);
  const thread = threadNamed(joint.thread);
  const spanner = thread ? spannerFor(thread) : null;
  const drill = thread ? tappingDrill(thread) : null;
  const limit = torqueOfJoint(facts, joint).limit?.torque;
  const aim = limit ? (limit.nominal ?? (limit.min !== null && limit.max !== null ? (limit.min + limit.max) / 2 : (limit.max ?? limit.min))) : null;
  const scale = limit?.unit ?? (bare === 'mm' ? 'N·m' : 'lbf·ft');
  return (
    <section aria-label="What it is" className="border-t border-rule px-4 py-2">
      <KeptText
        key={`joint-name ${joint.name}`}
        id="joint-name"
        label="Name"
        initial={joint.name}
        onKeep={(name) => patch(() => ({ name: name.trim() }))}
        refusalOf={(text) => (text.trim() === '' ? 'It has a name.' : null)}
      />
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        <KeptText
          key={`joint-holes ${String(joint.holes)}`}
          id="joint-holes"
          label="How many"
          initial={String(joint.holes)}
          refusalOf={(text) => (/^\d{1,2}$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= 60 ? null : 'A number from 1 to 60.')}
          onKeep={(text) => patch(() => ({ holes: Number(text), order: [] }))}
        />
        <KeptText
          key={`joint-thread ${joint.thread}`}
          id="joint-thread"
          label="Thread"
          initial={joint.thread}
          placeholder="like 3/8 BSF"
          onKeep={(text) => patch((now) => ({ ...threadIn(text, now), ...(saysLeftHand(text) ? { hand: 'left' as const } : {}) }))}
          refusalOf={() => null}
          note={(text) => noteOf(threadsNamed(text), text)}
        />
        <KeptSize
          key={`joint-pitch ${joint.pitch ?? ''}`}
          id="joint-pitch"
          label="Pitch"
          size={joint.pitch}
          bare={bare}
          quantity="pitch"
          example={{ mm: 'like 1.25', in: 'like 14 tpi' }}
          told={{ reads: (text) => understandPitch(text, bare), as: pitchTold }}
          onKeep={(pitch) => patch(() => ({ pitch }))}
        />
        <KeptText
          key={`joint-order ${joint.order.join(' ')}`}
          id="joint-order"
          label="Order"
          initial={joint.order.join(' ')}
          placeholder="reckoned"
          refusalOf={(text) => orderIn(text, joint.holes).refusal}
          onKeep={(text) => patch(() => ({ order: orderIn(text, joint.holes).order }))}
        />
      </div>
      {thread && (
        <p className="m-0 text-[16px]">
          {spanner && (
            <>
              Spanner <span className="num font-semibold">{spanner.name}</span>, {describeLength(spanner.acrossFlats, bare === 'mm' ? 'mm' : 'in')}{' '}
              across the flats, as is usual.{' '}
            </>
          )}
          {drill && (
            <>
              Tapping drill <span className="num font-semibold">{describeLength(drill.size, 'mm')}</span>
              {drill.isReckoned ? ', reckoned' : ''}.
            </>
          )}
        </p>
      )}
      <Rounds key={sayRounds(joint.rounds)} joint={joint} scale={scale} aim={aim} onRounds={(rounds) => patch(() => ({ rounds: [...rounds] }))} />
      <Choice label="Outline" options={['circle', 'rectangle']} value={joint.shape} onChoose={(shape) => patch(() => ({ shape }))} />
      <Choice label="Hand" options={['right', 'left']} value={joint.hand} onChoose={(hand) => patch(() => ({ hand }))} />
      <Choice
        label="Dressing"
        options={Object.keys(DRESSINGS)}
        value={joint.dressing}
        onChoose={(dressing) => patch((now) => ({ dressing: now.dressing === dressing ? '' : dressing }))}
      />
      <Choice
        label="Grade"
        options={Object.keys(GRADES)}
        value={joint.grade}
        onChoose={(grade) => patch((now) => ({ grade: now.grade === grade ? '' : grade }))}
      />
      <Choice
        label="Lock"
        options={LOCKS}
        value={joint.lock.kind}
        onChoose={(kind) =>
          patch((now) => ({ lock: { ...now.lock, kind, ...(kind === 'split pin' && now.lock.slots === null ? { slots: 6 } : {}) } }))
        }
      />
      {ONE_USE.has(joint.lock.kind) && <p className="m-0 text-[16px]">Used once: a new one goes in for good, unless it is made to be used again.</p>}
      <Choice
        label="It"
        options={['clamps', 'sets a float']}
        value={joint.adjusts ? 'sets a float' : 'clamps'}
        onChoose={(word) => patch(() => ({ adjusts: word === 'sets a float' }))}
      />
      {(joint.lock.kind === 'split pin' || joint.lock.kind === 'tab') && (
        <Slots joint={joint} onLock={(lock) => patch((now) => ({ lock: { ...now.lock, ...lock } }))} />
      )}
      <Quiet onClick={() => void send(changeJoint(joint, { gone: true })).catch(() => undefined)}>Take this joint away</Quiet>
    </section>
  );
}

/** "14 tpi" of a pitch that was meant as such. */
function pitchTold(pitch: Length): string | null {
  const threads = threadsPerInch(pitch);
  return threads === null ? null : `${threads} tpi`;
}

/** A thread by its name, and with it what it is over the crests and its pitch; those of the one before go with it. */
function threadIn(text: string, before: Joint): Pick<Joint, 'thread' | 'major' | 'pitch'> | Pick<Joint, 'thread'> {
  const found = threadNamed(text);
  if (found) return { thread: found.name, major: found.major, pitch: found.pitch };
  const pitch = threadsNamed(text).length > 0 ? null : pitchInName(text);
  if (pitch !== null) return { thread: text.trim(), major: null, pitch };
  return { thread: text.trim(), ...(threadNamed(before.thread) ? { major: null, pitch: null } : {}) };
}

/** Which of several it may be; that it is none. */
function noteOf(found: readonly Thread[], text: string): string | null {
  if (text.trim() === '' || found.length === 1) return null;
  if (found.length === 0) return 'Not one that is known here: its name is kept.';
  const names = found.slice(0, 6).map(({ name }) => name);
  return `Which? ${names.join(', ')}${found.length > names.length ? ' …' : ''}`;
}

function orderIn(text: string, holes: number): { readonly order: number[]; readonly refusal: string | null } {
  const order = text
    .split(/[\s,;]+/)
    .filter((word) => word !== '')
    .map(Number);
  const isWhole =
    order.length === 0 ||
    (order.length === holes && new Set(order).size === holes && order.every((hole) => Number.isInteger(hole) && hole >= 1 && hole <= holes));
  return { order, refusal: isWhole ? null : `Every hole from 1 to ${holes} once; or nothing, and it is reckoned.` };
}

function Choice<Option extends string>({
  label,
  options,
  value,
  onChoose,
}: {
  label: string;
  options: readonly Option[];
  value: string;
  onChoose: (option: Option) => void;
}): JSX.Element {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-2 py-1">
      <span className="w-20 text-ink2">{label}</span>
      {options.map((option) => (
        <Chip key={option} on={value === option} onClick={() => onChoose(option)}>
          {option}
        </Chip>
      ))}
    </div>
  );
}

/** In what rounds it is pulled, as they are said; or a hand, a half and the whole of its torque. */
function Rounds({
  joint,
  scale,
  aim,
  onRounds,
}: {
  joint: Joint;
  scale: Parameters<typeof readRounds>[1];
  aim: number | null;
  onRounds: (rounds: readonly Round[]) => void;
}): JSX.Element {
  const [text, setText] = useState(sayRounds(joint.rounds));
  const [tried, setTried] = useState(false);
  const read = text.trim() === '' ? [] : understood(() => readRounds(text, scale));
  const usual =
    aim === null
      ? null
      : orNull(() =>
          readRounds(joint.holes === 1 ? `hand, ${inScale(aim, scale)}` : `hand, ${inScale(aim / 2, scale)}, ${inScale(aim, scale)}`, scale),
        );
  return (
    <form
      aria-label="Rounds"
      className="flex flex-wrap items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (typeof read !== 'string') onRounds(read);
      }}
    >
      <Field
        label="Rounds"
        value={text}
        placeholder="like hand, 9, 18 lb ft"
        onChange={(event) => {
          setText(event.target.value);
          setTried(false);
        }}
        refusal={tried && typeof read === 'string' ? read : null}
        says={typeof read === 'string' || read.length === 0 ? '' : `${read.length} rounds${joint.holes > 1 ? ', and once round again' : ''}`}
        className="min-w-[220px] flex-1"
      />
      <Secondary type="submit" className="mt-7 min-h-14">
        Keep rounds
      </Secondary>
      {usual && joint.rounds.length === 0 && (
        <Secondary className="mt-7 min-h-14" onClick={() => onRounds(usual)}>
          {sayRounds(usual)}
        </Secondary>
      )}
    </form>
  );
}

const inScale = (newtonMetres: number, scale: Parameters<typeof readRounds>[1]): string => {
  const per = understand(`1 ${scale}`, { field: 'torque', bare: 'thou' });
  const one = per.kind === 'understood' ? (per.value[0] ?? 1) : 1;
  return `${Math.round(newtonMetres / one)} ${scale}`;
};

/** The slots of its nut and the ends of holes they come to: even, or where each is. */
function Slots({ joint, onLock }: { joint: Joint; onLock: (lock: Partial<Joint['lock']>) => void }): JSX.Element {
  const { slots, notches, holeEnds } = joint.lock;
  const anglesIn = (text: string): number[] | null => {
    const all = text
      .split(/[\s,;°]+/)
      .filter((word) => word !== '')
      .map(Number);
    return all.every((angle) => angle >= 0 && angle < 360) ? all : null;
  };
  return (
    <div className="grid grid-cols-3 gap-x-3 max-sm:grid-cols-1">
      <KeptText
        key={`joint-slots ${slots === null ? '' : String(slots)}`}
        id="joint-slots"
        label="Slots"
        initial={slots === null ? '' : String(slots)}
        refusalOf={(text) => (text.trim() === '' || (/^\d{1,2}$/.test(text.trim()) && Number(text) >= 1) ? null : 'Count them.')}
        onKeep={(text) => onLock({ slots: text.trim() === '' ? null : Number(text) })}
      />
      <KeptText
        key={`joint-ends ${String(holeEnds)}`}
        id="joint-ends"
        label="Ends of holes"
        initial={String(holeEnds)}
        refusalOf={(text) =>
          /^\d{1,2}$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= 24 ? null : 'Count them: two of one right through.'
        }
        onKeep={(text) => onLock({ holeEnds: Number(text) })}
      />
      <KeptText
        key={`joint-notches ${notches.join(' ')}`}
        id="joint-notches"
        label="Or notches at"
        initial={notches.join(' ')}
        placeholder="like 0 61 118, where uneven"
        refusalOf={(text) => (anglesIn(text) ? null : 'Degrees from the first, under 360.')}
        onKeep={(text) => onLock({ notches: anglesIn(text) ?? [] })}
      />
    </div>
  );
}
