import type { Setting, Station } from '@elder-cog/contract';
import { describeLength, formatLimits, MARK_WORDS, nanometres, sayGap, unitWord, type Limits, type TorqueUnit } from '@elder-cog/core';
import { rowHolders, type CriterionState, type JobState, type SettingState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Primary, Quiet, Refusal, Tick } from '../../kit/controls.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { torqueLimitsWords, torqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { newId, useSettings } from '../../state/settings.ts';

/** What is judged by several things together: all of them, or any one of a few ways. */
export function Together({ shaft }: { shaft: ShaftState }): JSX.Element {
  const { state } = useJob();
  const [editing, setEditing] = useState<string | null>(null);
  const settings = (state.settings ?? []).filter(({ setting }) => setting.assemblyId === shaft.assembly.id);
  const done = (): void => setEditing(null);
  return (
    <section aria-label="Judged together" className="border-t border-rule px-4 py-1">
      <div className="no-print flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setEditing((was) => (was === NEW ? null : NEW))} aria-expanded={editing === NEW}>
          Judge several together ▸
        </Quiet>
        <span className="text-ink2">a float and a depth; a float, or turning free</span>
      </div>
      {editing === NEW && <TogetherForm shaft={shaft} setting={null} onDone={done} />}
      {settings.map((each) =>
        editing === each.setting.id ? (
          <TogetherForm key={each.setting.id} shaft={shaft} setting={each.setting} onDone={done} />
        ) : (
          <SettingRow key={each.setting.id} of={each} onChange={() => setEditing(each.setting.id)} />
        ),
      )}
    </section>
  );
}

const NEW = 'new';

function SettingRow({ of, onChange }: { of: SettingState; onChange: () => void }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const { send } = useCommand();
  const { setting, criteria, mark, judgedBy, asks } = of;
  const groups = [...new Set(criteria.map(({ group }) => group))].sort((a, b) => a - b);
  return (
    <div role="group" aria-label={setting.name} className="border-t border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="text-[17px] font-medium">{setting.name}</span>
        <Mark kind={mark} size={24} named={false} ground="var(--paper)" />
        <span className={`label text-[17px] font-semibold ${MARK_TEXT[mark]}`}>{MARK_WORDS[mark]}</span>
        {judgedBy && !asks && <span className="text-[16px]">judged by {judgedBy.station.name.toLowerCase()}</span>}
        <span className="no-print ml-auto flex gap-x-3">
          <Quiet onClick={onChange}>Change ▸</Quiet>
          <Quiet onClick={() => void send({ kind: 'setting.change', setting: { ...setting, gone: true } }).catch(() => undefined)}>
            Judge them apart
          </Quiet>
        </span>
      </div>
      {asks && (
        <p className="m-0 text-[16px] leading-6">
          {asks.isIn.station.name} is in, and {asks.isOut.station.name.toLowerCase()} is out, though either would do. They are not averaged: read the
          one you trust less again.
        </p>
      )}
      {groups.map((group, i) => (
        <div key={group} className="grid grid-cols-[132px_minmax(0,1fr)] gap-x-4 text-[16px] max-sm:grid-cols-1">
          <span className="text-ink2">{i > 0 ? 'or all of' : groups.length > 1 ? 'right with all of' : 'all of'}</span>
          <span className="flex flex-col">
            {criteria
              .filter((each) => each.group === group)
              .map((each) => (
                <span key={each.station.id} className="inline-flex items-center gap-2">
                  <Mark kind={each.mark} size={20} named={false} ground="var(--paper)" />
                  <CriterionWords of={each} unit={unit} />
                </span>
              ))}
          </span>
        </div>
      ))}
    </div>
  );
}

/** "Layshaft float 8.0 thou, 9 within 2–14": what it is, what it reads and where it is to come. */
function CriterionWords({ of, unit: shown }: { of: CriterionState; unit: 'thou' | 'mm' }): JSX.Element {
  if (of.torqueUnit) return <DragWords of={of} unit={torqueShown(of.torqueUnit, shown).unit} />;
  const { station, value, limits, aim } = of;
  // a size is told in inches, and a gap in thou
  const unit = shown === 'mm' ? 'mm' : station.subject === 'gap' || station.subject === 'pair' ? 'thou' : 'in';
  return (
    <span>
      {station.name}
      {value !== null && <span className="num pl-1 font-semibold">{describeLength(nanometres(value), unit)}</span>}
      {limits && (
        <span className="text-ink2">
          {value === null ? ', ' : ' · '}
          <span className="num">
            {aim === null ? '' : `${sayGap(nanometres(aim), unit)} within `}
            {formatLimits(limits as Limits, unit)}
          </span>
          {value === null && ` ${unitWord(unit)}`}
        </span>
      )}
    </span>
  );
}

/** "Pinion drag 14.5 lbf·in · 18.0–24.0", and that it is a ceiling. */
function DragWords({ of: { station, value, limits, isCeiling }, unit }: { of: CriterionState; unit: TorqueUnit }): JSX.Element {
  return (
    <span>
      {station.name}
      {value !== null && <span className="num pl-1 font-semibold">{torqueWords(value, unit)}</span>}
      {limits && (
        <span className="text-ink2">
          {value === null ? ', ' : ' · '}
          <span className="num">{torqueLimitsWords(limits, unit)}</span>
          {value === null && ` ${unit}`}
        </span>
      )}
      {isCeiling && <span className="text-ink2">, a ceiling: passed, it is never right</span>}
    </span>
  );
}

/** Everything of a shaft and its box that has a verdict of its own. */
const judgeable = (state: JobState, shaft: ShaftState, depths: readonly Station[]): readonly Station[] => [
  ...shaft.gaps.map((g) => g.station),
  ...depths,
  ...(shaft.drags ?? []).map((drag) => drag.station),
  ...shaft.checks.map((c) => c.station),
  ...rowHolders(state)
    .filter((holder) => holder.assembly.id === shaft.assembly.id)
    .flatMap((holder) => [...holder.pairs.map((p) => p.station), ...holder.features.map((f) => f.station)]),
];

const MOST_WAYS = 3;

/** Which of them must be right together, and in what other way it may be right. */
function TogetherForm({ shaft, setting, onDone }: { shaft: ShaftState; setting: Setting | null; onDone: () => void }): JSX.Element {
  const { state, facts } = useJob();
  const { send, sending } = useCommand();
  const [name, setName] = useState(setting?.name ?? '');
  const [groupOf, setGroupOf] = useState<ReadonlyMap<string, number>>(
    () => new Map(setting?.criteria.map(({ stationId, group }) => [stationId, group]) ?? []),
  );
  const [ways, setWays] = useState(() => Math.max(1, ...groupOf.values()));
  const [refusal, setRefusal] = useState<string | null>(null);
  const depths = facts.stations.filter((s) => s.shaftId === shaft.shaft.id && !s.gone && s.reads?.what === 'depth');
  const stations = judgeable(state, shaft, depths);
  const keep = (): void => {
    const criteria = stations.flatMap(({ id }) => {
      const group = groupOf.get(id);
      return group === undefined ? [] : [{ stationId: id, group }];
    });
    if (criteria.length < 2) return setRefusal('Choose two at least: one by itself is judged by itself.');
    if (name.trim() === '') return setRefusal('Give it a name: what is right when they are.');
    const row = { name: name.trim(), criteria };
    void send(
      setting
        ? { kind: 'setting.change', setting: { ...setting, ...row } }
        : { kind: 'setting.add', setting: { id: newId(), assemblyId: shaft.assembly.id, ...row, gone: false } },
    ).then(onDone, () => undefined);
  };
  const choose = (id: string, group: number, isChosen: boolean): void => {
    setRefusal(null);
    setGroupOf((was) => {
      const now = new Map(was);
      if (isChosen) now.set(id, group);
      else now.delete(id);
      return now;
    });
  };
  return (
    <form
      aria-label="What is judged together"
      className="no-print border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <Field
        label="What is right when they are"
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder={`${shaft.shaft.name}, set`}
        maxLength={80}
      />
      {Array.from({ length: ways }, (_, i) => i + 1).map((way) => (
        <fieldset key={way} className="m-0 mt-1 border-0 border-t border-rule p-0 pt-1">
          <legend className="label float-left mr-4 text-[17px] font-semibold">
            {way === 1 ? 'Right when all of these are' : 'or when all of these are'}
          </legend>
          <div className="clear-both grid grid-cols-3 gap-x-4 max-md:grid-cols-2 max-sm:grid-cols-1">
            {stations.map((station) => {
              const group = groupOf.get(station.id);
              return (
                <Tick
                  key={station.id}
                  checked={group === way}
                  disabled={group !== undefined && group !== way}
                  onChange={(event) => choose(station.id, way, event.target.checked)}
                >
                  {station.name}
                </Tick>
              );
            })}
          </div>
        </fieldset>
      ))}
      {refusal && <Refusal>{refusal}</Refusal>}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Primary type="submit" disabled={sending}>
          {setting ? 'Keep it' : 'Judge them together'}
        </Primary>
        {ways < MOST_WAYS && <Quiet onClick={() => setWays((n) => n + 1)}>Or another way it is right ▸</Quiet>}
        <Quiet onClick={onDone}>Leave it</Quiet>
      </div>
    </form>
  );
}
