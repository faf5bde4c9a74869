import { editShaft, planOf } from '@elder-cog/contract';
import {
  arrangementOf,
  chooseThickness,
  givePlay,
  HOLDERS,
  INSERT_TITLES,
  insertBetween,
  isChosen,
  isStand,
  mayBeChosen,
  moveAlong,
  playOf,
  RACES,
  ReckoningError,
  runOn,
  SHIM_PLACES,
  takeOut,
  TEMPLATES,
  turnBearings,
  turnPart,
  type InsertKind,
  type Place,
  type PlanPlace,
  type ShaftPlan,
  type Tightener,
} from '@elder-cog/core';
import type { ShaftState } from '@elder-cog/derive';
import { ArrowLeft, ArrowRight, FlipHorizontal2, Layers, MoveHorizontal, Plus, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type JSX, type KeyboardEvent, type ReactNode } from 'react';
import { Chip, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';

interface PartsProps {
  readonly shaft: ShaftState;
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
  readonly onDone: () => void;
}

/** The parts of a shaft from its input end: to put in, take out, turn round and move, by mouse and by keys. */
export function Parts({ shaft, selected, onSelect, onDone }: PartsProps): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const plan = useMemo(() => planOf(facts, shaft.shaft), [facts, shaft.shaft]);
  const [said, setSaid] = useState<{ readonly words: string; readonly isRefused: boolean } | null>(null);
  const [asks, setAsks] = useState(false);
  const list = useRef<HTMLUListElement>(null);
  const shown = plan.places.filter((p) => p.faces.length > 0);
  const place = shown.find((p) => p.role === selected) ?? shown[0];

  // the part wanted in hand may only come with the next answer of the server
  const wanted = useRef(place?.role ?? null);
  const whole = useRef<HTMLElement>(null);
  useEffect(() => {
    whole.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  useEffect(() => {
    const button = list.current?.querySelector<HTMLElement>(`[data-part="${wanted.current ?? ''}"]`);
    if (!button) return;
    wanted.current = null;
    button.focus({ preventScroll: true });
    keepInView(button, list.current);
  });
  const focus = (id: string): void => {
    wanted.current = id;
    onSelect(id);
    setAsks(false);
  };
  /** Makes the change and says so; a refusal says why, and nothing is changed. */
  const change = (edit: () => ShaftPlan, words: string, next: string | 'what is new' = place?.role ?? ''): void => {
    try {
      const command = editShaft(facts, shaft.shaft, edit(), newId);
      if (!command) return;
      const then = next === 'what is new' ? (command.places[0]?.id ?? '') : next;
      void send(command).then(
        () => {
          setSaid({ words, isRefused: false });
          focus(then);
        },
        () => undefined,
      );
    } catch (error) {
      if (!(error instanceof ReckoningError)) throw error;
      setSaid({ words: error.message, isRefused: true });
    }
  };
  const act = {
    move: (of: PlanPlace, by: 1 | -1) => change(() => moveAlong(plan, of.role, by), `${of.name} moved`),
    turn: (of: PlanPlace) => {
      if (RACES.has(of.kind) && arrangementOf(plan) !== null) setAsks(true);
      else change(() => turnPart(plan, of.role), `${of.name} turned round`);
    },
    takeOut: (of: PlanPlace) => {
      const next = shown[shown.indexOf(of) + 1] ?? shown[shown.indexOf(of) - 1];
      change(() => takeOut(plan, of.role, newId), `${of.name} taken out`, next?.role);
    },
  };
  const onKey = (event: KeyboardEvent): void => {
    if (!place) return;
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key] as 1 | -1 | undefined;
    if (by !== undefined && event.altKey) act.move(place, by);
    else if (by !== undefined) {
      const next = shown[shown.indexOf(place) + by];
      if (next) focus(next.role);
    } else if (event.key === 'Delete') act.takeOut(place);
    else if (event.key === 't') act.turn(place);
    else if (event.key === 'Insert' || event.key === 'i') document.getElementById('put-in-what')?.focus();
    else return;
    event.preventDefault();
  };

  return (
    <section ref={whole} aria-label="Parts of the shaft" className="no-print scroll-mt-[400px] border-t-2 border-ink px-4 py-2">
      <div className="flex items-center justify-between">
        <Heading>Parts, from the {shaft.shaft.ends[0]}</Heading>
        <Quiet onClick={onDone} data-act="done">
          Done
        </Quiet>
      </div>
      <div className="grid gap-x-5 gap-y-2 md:grid-cols-[230px_minmax(0,1fr)]">
        <ul ref={list} onKeyDown={onKey} className="m-0 max-h-[296px] list-none overflow-y-auto p-0 max-md:max-h-[228px]" aria-label="Parts in order">
          {shown.map((each) => (
            <li key={each.role} className="border-b border-rule">
              <button
                type="button"
                data-part={each.role}
                aria-pressed={each === place}
                tabIndex={each === place ? 0 : -1}
                onClick={() => focus(each.role)}
                className={`flex min-h-11 w-full scroll-mt-[400px] items-baseline gap-2 px-2 py-1 text-left text-[16px] ${each === place ? 'bg-band' : ''}`}
              >
                <span className="min-w-0">{each.name}</span>
                <span className="ml-auto shrink-0 text-[15px] text-ink2">{inAWord(each)}</span>
              </button>
            </li>
          ))}
        </ul>
        {place && (
          <div className="min-w-0">
            <p className="m-0 text-[17px] font-medium">{place.name}</p>
            <div className="mt-1 flex flex-wrap gap-2">
              <Act
                icon={<ArrowLeft size={18} aria-hidden="true" />}
                onClick={() => act.move(place, -1)}
                disabled={sending || HOLDERS.has(place.kind)}
              >
                To the {shaft.shaft.ends[0]}
              </Act>
              <Act
                icon={<ArrowRight size={18} aria-hidden="true" />}
                onClick={() => act.move(place, 1)}
                disabled={sending || HOLDERS.has(place.kind)}
              >
                To the {shaft.shaft.ends[1]}
              </Act>
              <Act
                icon={<FlipHorizontal2 size={18} aria-hidden="true" />}
                onClick={() => act.turn(place)}
                disabled={sending || HOLDERS.has(place.kind)}
              >
                {RACES.has(place.kind) && arrangementOf(plan) !== null ? 'Turn both bearings…' : 'Turn round'}
              </Act>
              <Act icon={<Trash2 size={18} aria-hidden="true" />} onClick={() => act.takeOut(place)} disabled={sending || HOLDERS.has(place.kind)}>
                Take out
              </Act>
              {playOf(plan, place.role) !== null && (
                <Act
                  data-act="play"
                  icon={<MoveHorizontal size={18} aria-hidden="true" />}
                  onClick={() =>
                    change(
                      () => givePlay(plan, place.role, newId),
                      `${place.name}: ${playOf(plan, place.role) ? 'no play of its own' : 'its own play is read'}`,
                    )
                  }
                  disabled={sending}
                >
                  {playOf(plan, place.role) ? 'It has no play' : 'It has play of its own'}
                </Act>
              )}
              {mayBeChosen(plan, place) && (
                <Act
                  data-act="choose"
                  icon={<Layers size={18} aria-hidden="true" />}
                  onClick={() =>
                    change(
                      () => chooseThickness(plan, place.role),
                      isChosen(place) ? `${place.name} is as it is` : `${place.name} is chosen by its thickness`,
                    )
                  }
                  disabled={sending}
                >
                  {isChosen(place) ? 'It is as it is' : 'Choose it by thickness'}
                </Act>
              )}
              {(place.kind === 'bush' || place.kind === 'spacer') && (
                <Act
                  data-act="run-on"
                  icon={<Plus size={18} aria-hidden="true" />}
                  onClick={() => change(() => runOn(plan, place.role, newId), `A gear put on the ${place.name.toLowerCase()}`, 'what is new')}
                  disabled={sending}
                >
                  Put a gear on it
                </Act>
              )}
            </div>
            {asks && (
              <TurnQuestion
                plan={plan}
                onAnswer={(tightener, sits) =>
                  change(
                    () => turnBearings(plan, { tightener, sits, newRole: newId }),
                    `Both bearings turned, and ${tightener === 'nut' ? 'drawn up by a nut' : 'pushed in by a cover'}`,
                  )
                }
              />
            )}
            <PutIn
              plan={plan}
              place={place}
              disabled={sending}
              onPut={(contact, kind) =>
                change(() => insertBetween(plan, contact, kind, newId), `Put in: ${INSERT_TITLES[kind].toLowerCase()}`, 'what is new')
              }
            />
            <p aria-live="polite" className="m-0 min-h-6 text-[16px]">
              {said && (said.isRefused ? <Refusal>{said.words}</Refusal> : <span className="text-ink2">{said.words}.</span>)}
            </p>
            {shaft.current !== null && (
              <p className="m-0 text-[15px] leading-5 text-ink2">
                This is how the shaft is drawn, for every build of it. What goes in from one build to the next is fitted below.
              </p>
            )}
          </div>
        )}
      </div>
    </section>
  );
}

/** Within the list where that scrolls; else on the page, clear of the drawing above it. */
function keepInView(row: HTMLElement, list: HTMLElement | null): void {
  if (!list || list.scrollHeight <= list.clientHeight) {
    row.scrollIntoView({ block: 'nearest' });
    return;
  }
  const [box, at] = [list.getBoundingClientRect(), row.getBoundingClientRect()];
  list.scrollTop += Math.min(0, at.top - box.top) + Math.max(0, at.bottom - box.bottom);
}

/** What is to be known of a part in its list, in a word. */
const inAWord = ({ takes, turned }: PlanPlace): string =>
  [turned ? 'turned round' : '', isChosen({ takes }) ? 'chosen' : ''].filter((word) => word !== '').join(', ');

interface ActProps {
  readonly icon: JSX.Element;
  readonly children: ReactNode;
  readonly onClick: () => void;
  readonly disabled: boolean;
  readonly 'data-act'?: string;
}

function Act({ icon, children, ...rest }: ActProps): JSX.Element {
  return (
    <Secondary {...rest} className="flex items-center gap-2">
      {icon} {children}
    </Secondary>
  );
}

interface PutInProps {
  readonly plan: ShaftPlan;
  readonly place: PlanPlace;
  readonly disabled: boolean;
  readonly onPut: (contact: string, kind: InsertKind) => void;
}

/** What, and between which two parts: those after the part in hand stand first. */
function PutIn({ plan, place, disabled, onPut }: PutInProps): JSX.Element {
  const [kind, setKind] = useState<InsertKind>('washer');
  const [where, setWhere] = useState<string | null>(null);
  const nameAt = (face: string): string => plan.places.find((p) => p.faces.some((f) => f.role === face))?.name ?? '';
  const mine = new Set(place.faces.map((f) => f.role));
  const between = plan.contacts
    .filter((c) => !isStand(c))
    .map((c) => ({
      ...c,
      words: `${nameAt(c.a)} and ${nameAt(c.b)}${c.kind === 'open' ? ', in the gap' : ''}`,
      near: mine.has(c.a) ? 0 : mine.has(c.b) ? 1 : 2,
    }))
    .sort((a, b) => a.near - b.near);
  const at = between.find((c) => c.role === where) ?? between[0];
  return (
    <form
      className="mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,1.6fr)_auto] items-end gap-2 border-t border-rule pt-2 max-sm:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (at) onPut(at.role, kind);
      }}
      onKeyDown={(event) => {
        // a list keeps Enter to itself in a browser; here it goes on to the button
        if (event.key !== 'Enter' || !(event.target instanceof HTMLSelectElement)) return;
        event.preventDefault();
        event.currentTarget.requestSubmit();
      }}
    >
      <div>
        <label htmlFor="put-in-what" className="label text-[16px] font-semibold">
          Put in
        </label>
        <select
          id="put-in-what"
          value={kind}
          onChange={(event) => setKind(event.target.value as InsertKind)}
          className="h-12 w-full border border-edge bg-sheet px-2 text-[16px]"
        >
          {Object.entries(INSERT_TITLES).map(([each, title]) => (
            <option key={each} value={each}>
              {title}
            </option>
          ))}
        </select>
      </div>
      <div>
        <label htmlFor="put-in-where" className="label text-[16px] font-semibold">
          Between
        </label>
        <select
          id="put-in-where"
          value={at?.role ?? ''}
          onChange={(event) => setWhere(event.target.value)}
          className="h-12 w-full border border-edge bg-sheet px-2 text-[16px]"
        >
          {between.map(({ role, words }) => (
            <option key={role} value={role}>
              {words}
            </option>
          ))}
        </select>
      </div>
      <Primary type="submit" disabled={disabled || !at} className="min-h-12">
        Put it in
      </Primary>
    </form>
  );
}

const TIGHTENED: Readonly<Record<Tightener, string>> = {
  cover: 'pushed in by a cover',
  nut: 'drawn up by a nut',
};
const SITS: Readonly<Record<string, string>> = Object.fromEntries(
  Object.values(TEMPLATES).flatMap(({ places }) => places.map(({ place, says }) => [place, says])),
);

/** Both bearings are turned together: what tightens them then, and where the shim is. */
function TurnQuestion({ plan, onAnswer }: { plan: ShaftPlan; onAnswer: (tightener: Tightener, sits: Place) => void }): JSX.Element {
  const was = arrangementOf(plan);
  const [tightener, setTightener] = useState<Tightener>(was === 'faceToFace' ? 'nut' : 'cover');
  const [sits, setSits] = useState<Place | null>(null);
  const places = SHIM_PLACES[tightener];
  const at = sits !== null && places.includes(sits) ? sits : (places[0] ?? 'behindCup');
  return (
    <div role="group" aria-label="Cover or nut?" className="mt-2 border border-edge bg-sheet p-3">
      <p className="m-0 mb-2 font-medium">Turned round, are they pushed in by a cover, or drawn up by a nut?</p>
      <div className="flex flex-wrap gap-2">
        {(['cover', 'nut'] as const).map((each) => (
          <Chip key={each} on={tightener === each} onClick={() => setTightener(each)}>
            {TIGHTENED[each]}
          </Chip>
        ))}
      </div>
      {plan.places.some(isChosen) && (
        <>
          <p className="m-0 mt-2 text-ink2">The shim is then</p>
          <div className="flex flex-wrap gap-2">
            {places.map((each) => (
              <Chip key={each} on={at === each} onClick={() => setSits(each)}>
                {SITS[each] ?? each}
              </Chip>
            ))}
          </div>
        </>
      )}
      <Primary className="mt-3" onClick={() => onAnswer(tightener, at)}>
        Turn both bearings
      </Primary>
    </div>
  );
}
