import type { Station, Wrench } from '@elder-cog/contract';
import { fromBase, orNull, readNumber, tidy, toBase } from '@elder-cog/core';
import { divisionOf } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Refusal, Secondary } from '../../kit/controls.tsx';
import { useKeyed } from '../../kit/Keypad.tsx';
import { useCommand } from '../../state/api.ts';
import { readWith } from '../../state/dragActions.ts';
import { useSettings } from '../../state/settings.ts';
import { oneDrag } from './oneDrag.ts';

const KINDS: readonly { readonly kind: Wrench['kind']; readonly called: string }[] = [
  { kind: 'beam', called: 'wrench with a pointer' },
  { kind: 'dial', called: 'wrench with a dial' },
  { kind: 'electronic', called: 'wrench with figures' },
  { kind: 'click', called: 'wrench that clicks' },
  { kind: 'balance', called: 'balance on a cord' },
];
const TORQUES = ['lbf·in', 'N·m', 'kgf·cm', 'lbf·ft', 'ozf·in'] as const;
const FORCES = ['kgf', 'lbf', 'N', 'gf', 'ozf'] as const;

/** A figure of a scale, `0.2`, `1/4`, `½`; null where nothing is said, and undefined where it is none. */
function figure(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const value = orNull(() => readNumber(tidy(text)));
  return value !== null && value > 0 ? value : undefined;
}

/** What a drag is read with: its kind, its scale, how fine it is and from where to where it reads; and what its seal takes by itself. */
export function WrenchFields({ station, onDone }: { station: Station; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const bare = useSettings((s) => s.bare);
  const was = station.wrench;
  const [kind, setKind] = useState<Wrench['kind']>(was?.kind ?? 'beam');
  const isBalance = kind === 'balance';
  const units: readonly Wrench['unit'][] = isBalance ? FORCES : TORQUES;
  const [chosen, setUnit] = useState<Wrench['unit']>(was?.unit ?? (bare === 'mm' ? 'N·m' : 'lbf·in'));
  const unit = units.includes(chosen) ? chosen : (units[bare === 'mm' && !isBalance ? 1 : 0] ?? chosen);
  const inUnit = (base: number | null | undefined): string =>
    base === null || base === undefined ? '' : String(Number(fromBase(base, unit).toPrecision(3)));
  const [division, setDivision] = useState(inUnit(was?.division));
  const [least, setLeast] = useState(inUnit(was?.least));
  const [most, setMost] = useState(inUnit(was?.most));
  const told = isBalance ? (bare === 'mm' ? 'N·m' : 'lbf·in') : unit;
  const [seal, setSeal] = useState(station.seal ? `${Number(fromBase(station.seal, told).toPrecision(4))} ${told}` : '');
  const keys = useKeyed('drag');
  const [tried, setTried] = useState(false);
  const own = seal.trim() === '' ? { drag: 0, says: 'taken off where the seal is in' } : oneDrag(seal, { bare, scale: told });
  const wrong = (text: string): string | null => (tried && figure(text) === undefined ? 'A figure, like 0.2 or 1/4.' : null);
  const keep = (): void => {
    setTried(true);
    if (own.drag === null || [division, least, most].some((text) => figure(text) === undefined)) return;
    const base = (text: string): number | null => {
      const value = figure(text) ?? null;
      return value === null ? null : toBase(value, unit);
    };
    const name = KINDS.find((each) => each.kind === kind)?.called ?? kind;
    const wrench: Wrench = { kind, name, unit, division: base(division) ?? divisionOf(undefined, unit), least: base(least), most: base(most) };
    void send(readWith(station, { wrench, seal: own.drag })).then(onDone, () => undefined);
  };
  return (
    <div role="group" aria-label="What it is read with" className="mb-2 border border-edge bg-sheet p-3">
      <div className="flex flex-wrap gap-2">
        {KINDS.map((each) => (
          <Chip key={each.kind} on={kind === each.kind} onClick={() => setKind(each.kind)}>
            {each.called}
          </Chip>
        ))}
      </div>
      {kind === 'click' && (
        <p className="m-0 mt-1">
          <Refusal>A wrench that clicks cannot read a drag: it says only that what it is set to was reached.</Refusal>
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <div>
          <label htmlFor="wrench-unit" className="label block text-[17px] font-semibold">
            Figured in
          </label>
          <select
            id="wrench-unit"
            value={unit}
            onChange={(event) => setUnit(event.target.value as Wrench['unit'])}
            className="mt-1 h-14 border border-edge bg-sheet px-3 text-[17px]"
          >
            {units.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </div>
        <Field
          label="Least division"
          value={division}
          inputMode="decimal"
          placeholder="like 0.2"
          refusal={wrong(division)}
          onChange={(e) => setDivision(e.target.value)}
          className="w-32"
        />
        <Field
          label="Reads from"
          value={least}
          inputMode="decimal"
          placeholder="or nothing"
          refusal={wrong(least)}
          onChange={(e) => setLeast(e.target.value)}
          className="w-32"
        />
        <Field
          label="To"
          value={most}
          inputMode="decimal"
          placeholder="or nothing"
          refusal={wrong(most)}
          onChange={(e) => setMost(e.target.value)}
          className="w-32"
        />
        <Field
          {...keys}
          label="The seal alone"
          value={seal}
          placeholder={bare === 'mm' ? 'like 0.3 N·m' : 'like 3 lb in'}
          refusal={tried && own.drag === null ? own.says : null}
          says={own.says}
          onChange={(e) => setSeal(e.target.value)}
          className="w-44"
        />
      </div>
      <Secondary className="min-h-14" disabled={sending || kind === 'click'} onClick={keep}>
        Read with this
      </Secondary>
    </div>
  );
}
