import type { FitPart, Fitting } from '@elder-cog/contract';
import {
  CEILINGS,
  HEATED_KINDS,
  HEATINGS,
  MATERIALS,
  mm,
  nanometres,
  overCeiling,
  type HeatedKind,
  type Heating,
  type Length,
} from '@elder-cog/core';
import { useRef, useState, type JSX } from 'react';
import { Heading, Quiet } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { KeptForm } from '../../kit/KeptForm.tsx';
import { KeptSize } from '../../kit/KeptSize.tsx';
import { KeptText } from '../../kit/KeptText.tsx';
import { changeFitting } from '../../state/fittingActions.ts';
import { useRowPatches } from '../../state/rowPatches.ts';
import { useSettings } from '../../state/settings.ts';
import { readTemperature } from '../../state/temperature.ts';

/** How rough a face is, as it was cut: Rz. From memory of what such cuts leave. */
const FINISHES: readonly (readonly [words: string, rz: Length | null])[] = [
  ['not said', null],
  ['ground or honed', mm(0.003)],
  ['reamed, turned fine', mm(0.0063)],
  ['bored, turned', mm(0.016)],
];

const HEATING_WORDS: Readonly<Record<Heating, string>> = {
  oven: 'oven',
  hotAir: 'hot air',
  hotPlate: 'hot plate',
  oilBath: 'oil bath',
  hotWater: 'hot water',
};
const ON_IT: readonly HeatedKind[] = ['lipSeal', 'retainer', 'nylonCage', 'sealedBearing'];

/** Both parts as they were measured, what they are of, and how warm. Every field is kept as it is left. */
export function FitForm({ fitting }: { fitting: Fitting }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const patch = useRowPatches(fitting, changeFitting);
  const change = (wanted: Partial<Fitting>): void => patch(() => wanted);
  const { outer, inner, length, journal, ease, ambient, humidity, working } = fitting;
  const isBush = /bush/i.test(inner.what);
  return (
    <>
      <PartFields
        title="What is outside"
        part={outer}
        bare={bare}
        isOuter
        onChange={(wanted) => patch((now) => ({ outer: { ...now.outer, ...wanted } }))}
      />
      <PartFields
        title="What goes in"
        part={inner}
        bare={bare}
        isOuter={false}
        onChange={(wanted) => patch((now) => ({ inner: { ...now.inner, ...wanted } }))}
      />
      <section aria-label="The two together" className="border-t border-rule px-4 py-2">
        <Heading>The two together</Heading>
        <div className="mt-1 grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
          <KeptSize
            key={`l ${length ?? ''}`}
            id="fit-length"
            label="Length that is held"
            size={length}
            bare={bare}
            quantity="distancePiece"
            example={{ mm: 'like 22', in: 'like 7/8' }}
            onKeep={(size) => change({ length: size })}
          />
          <KeptSize
            key={`e ${ease ?? ''}`}
            id="fit-ease"
            label="Room to drop in with"
            size={ease}
            bare={bare}
            quantity="fine"
            example={{ mm: 'like 0.03 mm', in: 'like .001 in' }}
            onKeep={(size) => change({ ease: size })}
          />
          {isBush && (
            <>
              <KeptSize
                key={`j ${journal ?? ''}`}
                id="fit-journal"
                label="Journal in it, largest"
                size={journal}
                bare={bare}
                quantity="diameter"
                example={{ mm: 'like 21.94', in: 'like .8640' }}
                onKeep={(size) => change({ journal: size })}
              />
              <Clearance key={`c ${fitting.clearance?.written ?? ''}`} fitting={fitting} bare={bare} onChange={change} />
            </>
          )}
        </div>
      </section>
      <section aria-label="Warm and cold" className="border-t border-rule px-4 py-2">
        <Heading>Warm and cold</Heading>
        <div className="mt-1 grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
          <Celsius
            key={`a ${ambient}`}
            id="fit-ambient"
            label="The workshop, °C"
            value={ambient}
            kinds={[]}
            onKeep={(value) => value !== null && change({ ambient: value })}
            least={-30}
            most={50}
          />
          <Percent key={`h ${humidity ?? ''}`} value={humidity} onKeep={(value) => change({ humidity: value })} />
          <Celsius
            key={`o ${outer.temperature ?? ''}`}
            id="fit-outer-at"
            label="Heat what is outside to"
            value={outer.temperature}
            kinds={[outer.kind, ...outer.also]}
            onKeep={(value) => patch((now) => ({ outer: { ...now.outer, temperature: value } }))}
          />
          <Celsius
            key={`i ${inner.temperature ?? ''}`}
            id="fit-inner-at"
            label="Chill what goes in to"
            value={inner.temperature}
            kinds={[inner.kind, ...inner.also]}
            onKeep={(value) => patch((now) => ({ inner: { ...now.inner, temperature: value } }))}
          />
          <Celsius
            key={`w ${working ?? ''}`}
            id="fit-working"
            label="When it works, °C"
            value={working}
            kinds={[]}
            onKeep={(value) => change({ working: value })}
          />
          <label className="label block text-[17px] font-semibold">
            Warmed in
            <select
              value={fitting.heating ?? ''}
              onChange={(event) => change({ heating: event.target.value === '' ? null : (event.target.value as Heating) })}
              className="mt-1 block h-14 w-full border border-edge bg-sheet px-2 font-text text-[16px] font-normal normal-case"
            >
              <option value="">not said</option>
              {HEATINGS.map((each) => (
                <option key={each} value={each}>
                  {HEATING_WORDS[each]}
                </option>
              ))}
            </select>
          </label>
        </div>
        <p className="m-0 mt-1 text-[16px] text-ink2">
          Some heat the housing, some chill what goes in, some press cold. Bearings: some go to 150 °C and more in oil; their makers’ usual ceiling is
          120.
        </p>
      </section>
    </>
  );
}

/** What heat may harm such stuff as; it can be said otherwise. */
function kindOf(material: string): HeatedKind {
  if (/aluminium/.test(material)) return 'aluminium';
  if (/magnesium/.test(material)) return 'magnesium';
  if (/case-hardened/.test(material)) return 'caseHardened';
  if (/bearing steel/.test(material)) return 'rollingBearing';
  return material === 'nylon' ? 'nylon' : 'plain';
}

interface PartFieldsProps {
  readonly title: string;
  readonly part: FitPart;
  readonly bare: 'thou' | 'mm';
  readonly isOuter: boolean;
  readonly onChange: (wanted: Partial<FitPart>) => void;
}

function PartFields({ title, part, bare, isOuter, onChange }: PartFieldsProps): JSX.Element {
  const [more, setMore] = useState(false);
  const id = isOuter ? 'outer' : 'inner';
  const select = 'mt-1 block h-14 w-full border border-edge bg-sheet px-2 font-text text-[16px] font-normal normal-case';
  const bore = (
    <KeptSize
      key={`b ${part.bore ?? ''}`}
      id={`${id}-bore`}
      label={isOuter ? 'Its bore' : 'Its bore, if it has one'}
      size={part.bore}
      bare={bare}
      quantity="diameter"
      example={{ mm: 'like 71.98', in: 'like 2.8339' }}
      onKeep={(size) => onChange({ bore: size })}
    />
  );
  const outside = (
    <KeptSize
      key={`o ${part.outside ?? ''}`}
      id={`${id}-outside`}
      label={isOuter ? 'Metal round it, across' : 'Its outside'}
      size={part.outside}
      bare={bare}
      quantity="diameter"
      example={{ mm: 'like 96', in: 'like 3 3/4' }}
      onKeep={(size) => onChange({ outside: size })}
    />
  );
  return (
    <section aria-label={title} className="border-b border-rule px-4 py-2">
      <Heading>{title}</Heading>
      <div className="mt-1 grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        <Named key={part.what} id={`${id}-what`} value={part.what} onKeep={(what) => onChange({ what })} />
        <label className="label block text-[17px] font-semibold">
          Of
          <select
            value={part.material}
            onChange={(event) => onChange({ material: event.target.value, kind: kindOf(event.target.value) })}
            className={select}
          >
            <option value="">not said</option>
            {MATERIALS.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
        {isOuter ? bore : outside}
        {isOuter ? outside : bore}
      </div>
      <Quiet onClick={() => setMore((m) => !m)} aria-expanded={more}>
        What heat may do to it, finish, weight ▸
      </Quiet>
      {more && (
        <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
          <label className="label block text-[17px] font-semibold">
            Heat may harm it as
            <select value={part.kind} onChange={(event) => onChange({ kind: event.target.value as HeatedKind })} className={select}>
              {HEATED_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {CEILINGS[kind].called}, {CEILINGS[kind].celsius} °C
                </option>
              ))}
            </select>
          </label>
          <fieldset className="m-0 border-0 p-0">
            <legend className="label text-[17px] font-semibold">In it or on it</legend>
            {ON_IT.map((kind) => (
              <label key={kind} className="flex min-h-12 items-center gap-2">
                <input
                  type="checkbox"
                  checked={part.also.includes(kind)}
                  onChange={() => onChange({ also: part.also.includes(kind) ? part.also.filter((each) => each !== kind) : [...part.also, kind] })}
                  className="h-6 w-6 accent-blue"
                />
                {CEILINGS[kind].called}
              </label>
            ))}
          </fieldset>
          <label className="label block text-[17px] font-semibold">
            Its face is
            <select
              value={String(part.roughness ?? '')}
              onChange={(event) => onChange({ roughness: event.target.value === '' ? null : nanometres(Number(event.target.value)) })}
              className={select}
            >
              {FINISHES.map(([words, rz]) => (
                <option key={words} value={String(rz ?? '')}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <Grams key={part.weight ?? ''} id={`${id}-weight`} value={part.weight} onKeep={(weight) => onChange({ weight })} />
        </div>
      )}
    </section>
  );
}

const Named = ({ id, value, onKeep }: { id: string; value: string; onKeep: (value: string) => void }): JSX.Element => (
  <KeptText
    id={id}
    label="What it is"
    initial={value}
    refusalOf={(text) => (text.length > 80 ? 'Shorter: up to 80 letters.' : null)}
    onKeep={(text) => onKeep(text.trim())}
  />
);

function Celsius({
  id,
  label,
  value,
  kinds,
  onKeep,
  least = -196,
  most = 350,
}: {
  id: string;
  label: string;
  value: number | null;
  kinds: readonly HeatedKind[];
  onKeep: (value: number | null) => void;
  least?: number;
  most?: number;
}): JSX.Element {
  const range = { least, most };
  return (
    <KeptText
      id={id}
      label={label}
      initial={value === null ? '' : String(Math.round(value * 10) / 10)}
      refusalOf={(text) => readTemperature(text.replace('−', '-'), range).refusal}
      note={(text) => {
        const read = readTemperature(text.replace('−', '-'), range).value;
        return read === null || kinds.length === 0 ? null : (overCeiling(read, kinds)?.message ?? null);
      }}
      onKeep={(text) => onKeep(readTemperature(text.replace('−', '-'), range).value)}
    />
  );
}

const numberIn = (text: string, least: number, most: number): number | null => {
  const value = Number(
    text
      .trim()
      .replace(',', '.')
      .replace(/\s*(%|g)$/i, ''),
  );
  return text.trim() !== '' && Number.isFinite(value) && value >= least && value <= most ? value : null;
};

const Percent = ({ value, onKeep }: { value: number | null; onKeep: (value: number | null) => void }): JSX.Element => (
  <KeptText
    id="fit-humidity"
    label="Its air, % damp"
    initial={value === null ? '' : String(value)}
    placeholder="like 65"
    refusalOf={(text) => (text.trim() === '' || numberIn(text, 1, 100) !== null ? null : 'From 1 to 100.')}
    onKeep={(text) => onKeep(numberIn(text, 1, 100))}
  />
);

const Grams = ({ id, value, onKeep }: { id: string; value: number | null; onKeep: (value: number | null) => void }): JSX.Element => (
  <KeptText
    id={id}
    label="It weighs, g"
    initial={value === null ? '' : String(value)}
    placeholder="from its sizes"
    refusalOf={(text) => (text.trim() === '' || numberIn(text, 1, 200_000) !== null ? null : 'Grams: from 1 to 200 000.')}
    onKeep={(text) => onKeep(numberIn(text, 1, 200_000))}
  />
);

/** What it is to run with, least to most. */
function Clearance({ fitting, bare, onChange }: { fitting: Fitting; bare: 'thou' | 'mm'; onChange: (patch: Partial<Fitting>) => void }): JSX.Element {
  const initial = fitting.clearance?.written ?? '';
  const kept = useRef(initial);
  const entry = useEntry(
    { field: 'limits', bare, quantity: 'float' },
    {
      initial,
      onKeep: ({ value, unit }, text) => {
        kept.current = text;
        const { min, max } = value;
        if (max !== undefined) onChange({ clearance: { min: nanometres(Math.max(0, min ?? 0)), max, written: text.trim().slice(0, 60), unit } });
      },
    },
  );
  return (
    <KeptForm text={entry.text} kept={() => kept.current} onKeep={() => entry.keep()}>
      <EntryField entry={entry} id="fit-clearance" label="Clearance it is to have" placeholder={bare === 'mm' ? 'like 0.03-0.06' : 'like 1½-2½'} />
    </KeptForm>
  );
}
