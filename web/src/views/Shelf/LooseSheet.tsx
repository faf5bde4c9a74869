import { newShaft, type Change } from '@elder-cog/contract';
import { formatLength, INSTRUMENTS, leavesTotal, nanometres, section, unitWord, withTolerance, type Place } from '@elder-cog/core';
import { looseSheet, onHand, packWords, type PackChoice } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { useNavigate } from 'react-router';
import { Chip, Field, Heading, Primary, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useCommand, useDrawer } from '../../state/api.ts';
import { useDraft } from '../../state/drafts.ts';
import { asUnderstood, leavesFromSaid, limitRow, oneByOne } from '../../state/gapActions.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { thinkIn } from '../../state/thinkIn.ts';
import { inBoth, rangeWords } from '../../state/understood.ts';
import { usePackChoices } from '../../workers/packs.ts';

const SPOTS: readonly { readonly place: Place; readonly words: readonly [string, string] }[] = [
  { place: 'behindCup', words: ['behind', 'the cup'] },
  { place: 'thrustWasher', words: ['thrust', 'washer'] },
  { place: 'betweenCones', words: ['between', 'the cones'] },
  { place: 'underCover', words: ['under', 'the cover'] },
];
const NUTTED: readonly { readonly place: Place; readonly words: readonly [string, string] }[] = [
  { place: 'behindCup', words: ['behind', 'a cup'] },
  { place: 'behindCone', words: ['behind the', 'head cone'] },
  { place: 'betweenCones', words: ['between', 'the cones'] },
  { place: 'betweenCups', words: ['between', 'the cups'] },
];
const SAYS: Partial<Record<Place, string>> = {
  behindCup: 'behind the cup',
  thrustWasher: 'in the washer',
  betweenCones: 'between the cones',
  underCover: 'under the cover',
  behindCone: 'behind the head cone',
  betweenCups: 'between the cups',
};

const SET = {
  dial: { thou: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
  feelers: { thou: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
} as const;

/** Limits, pack in now and reading in one place → the pack to fit. No machine, no set-up; kept to a job afterwards if wanted. */
export function LooseSheet(): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const drawer = useDrawer();
  const { send, sending } = useCommand();
  const navigate = useNavigate();
  const [place, setPlace] = useState<Place>('behindCup');
  const [nutted, setNutted] = useState(false);
  const [feelers, setFeelers] = useState(false);
  const bare = useSettings((st) => st.bare);
  const [naming, setNaming] = useState<string | null>(null);
  const [typed] = useDraft('loose reading');
  const method = feelers || /goes|stops/i.test(typed) ? ('feelers' as const) : ('dial' as const);
  const instrument = SET[method][bare];
  const limits = useEntry({ field: 'limits', bare }, { draft: 'loose limits', also: withTolerance });
  const pack = useEntry({ field: 'pack', bare }, { draft: 'loose pack' });
  const read = useEntry({ field: 'reading', bare, instrument }, { draft: 'loose reading' });
  const sheet = looseSheet({
    limits: limits.meaning?.value ?? null,
    pack: pack.meaning?.value ?? null,
    reading: read.meaning?.value ?? null,
    place,
    arrangement: nutted ? 'backToBack' : 'faceToFace',
    instrument,
  });
  const { window, reading, fitted } = sheet;
  const said = oneByOne(pack.meaning?.value ?? []);
  const hands = onHand(drawer.data?.lots ?? [], drawer.data?.fitted ?? []).filter((h) => h.onHand > 0);
  const available = [
    ...hands.map(({ lot, onHand: quantity }) => ({ lotId: lot.id, thickness: lot.thickness, written: lot.written, unit: lot.unit, quantity })),
    ...said.map((l) => ({ lotId: null, thickness: l.thickness, written: l.written, unit: l.unit, quantity: 1 })),
  ];
  const { data: choices } = usePackChoices(
    window?.reachable && reading && fitted !== null ? { window, available, fitted, reading: reading.value, sense: sheet.sense } : null,
  );

  const keepToJob = async (machine: string): Promise<void> => {
    const at = new Date().toISOString();
    const [jobId, assemblyId] = [newId(), newId()];
    const template = place === 'thrustWasher' ? 'plainThrust' : 'taperPair';
    const kept = place === 'betweenCones' || place === 'betweenCups' ? 'behindCone' : place;
    const shaft = newShaft({
      assemblyId,
      name: 'Shaft',
      template,
      place: template === 'plainThrust' ? 'thrustWasher' : kept,
      gasket: false,
      position: 0,
      newId,
    });
    const gap = shaft.stations.find((s) => s.subject === 'gap');
    const slot = shaft.slots.find((s) => s.kind === 'adjuster');
    if (!gap || !slot || !limits.meaning || !read.meaning || !reading) return;
    const buildId = newId();
    const { who } = useSettings.getState();
    const { kind: _, ...whole } = { ...shaft, stations: shaft.stations.map((s) => (s.id === gap.id ? { ...s, method, instrument } : s)) };
    const begin: Change = {
      kind: 'job.begin',
      job: { id: jobId, machine, year: '', note: '', createdAt: at, archivedAt: null },
      assemblies: [{ id: assemblyId, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
      shafts: [whole],
      limits: [limitRow(gap.id, limits.text, limits.meaning)],
      builds: [
        {
          id: buildId,
          assemblyId,
          parentId: null,
          stage: 'as_found',
          at,
          who,
          label: '',
          feel: [],
          note: '',
          fits: [{ id: newId(), slotId: slot.id, leaves: leavesFromSaid(said, []), state: null }],
        },
      ],
      readings: [
        {
          id: newId(),
          stationId: gap.id,
          buildId,
          raw: {
            method,
            text: read.text,
            understood: asUnderstood(read.meaning),
            instrument,
            restsOn: [],
          },
          who,
          takenAt: at,
          supersedes: null,
          keptAs: { value: reading.value, words: read.text.slice(0, 120) },
        },
      ],
    };
    try {
      await send(begin);
      for (const entry of [limits, pack, read]) entry.type('');
      void navigate(`/jobs/${jobId}/section?shaft=${shaft.shaft.id}`);
    } catch {
      // the title block says why; the sheet keeps what was typed
    }
  };

  const spots = nutted ? NUTTED : SPOTS;
  return (
    <div className="flex flex-col gap-2 px-4 py-3">
      <div className="flex items-baseline justify-between">
        <Heading className="text-blue">Loose sheet</Heading>
        <span className="text-ink2">no machine, no set-up</span>
      </div>
      <div role="radiogroup" aria-label="Where is the shim?">
        {!nutted && <PlaceDrawing place={place} />}
        <div className="mt-1 grid grid-cols-4 gap-1">
          {spots.map((spot) => (
            <button
              key={spot.place}
              type="button"
              role="radio"
              aria-checked={place === spot.place}
              onClick={() => setPlace(spot.place)}
              className={`min-h-12 border px-1 text-[15px] leading-5 ${place === spot.place ? 'border-brass-text bg-brass-text font-semibold text-paper' : 'border-brass-text bg-sheet text-brass-text'}`}
            >
              {spot.words[0]} {spot.words[1]}
            </button>
          ))}
        </div>
      </div>
      <p className="m-0 flex flex-wrap items-center justify-between gap-x-3 text-[17px]">
        <span>
          Thicker {SAYS[place]} ={' '}
          <strong className="font-semibold">
            {sheet.sense === 1 ? 'more float.' : sheet.sense === -1 ? 'less float.' : 'the same float: it moves the shaft.'}
          </strong>
        </span>
        <Chip
          on={nutted}
          onClick={() => {
            const other = nutted ? SPOTS : NUTTED;
            setNutted((n) => !n);
            // the place stays where it is, where there is such a place
            if (!other.some((spot) => spot.place === place)) setPlace('behindCup');
          }}
        >
          cones drawn by a nut
        </Chip>
      </p>
      <EntryField entry={limits} id="loose-limits" label="Limits" asksAtOnce inRow placeholder={bare === 'mm' ? 'like 0.04-0.09' : 'like 3½-7½'} />
      <EntryField
        entry={pack}
        id="loose-pack-in-now"
        label="Pack in now"
        asksAtOnce
        inRow
        placeholder={bare === 'mm' ? 'like 0.40+0.15, or none' : 'like 16+7, or none'}
        says={(leaves) => inBoth(leavesTotal(leaves), bare)}
      />
      <EntryField
        entry={read}
        id="loose-reading"
        label="Reading"
        asksAtOnce
        inRow
        placeholder={method === 'feelers' ? 'like goes 8 stops 9' : 'like 91>17'}
      />
      {sheet.refusal && <Refusal>{sheet.refusal}</Refusal>}
      {window && !window.reachable && <Refusal>{window.because}</Refusal>}
      {window?.reachable && (
        <div className="border-t-2 border-ink pt-2" data-testid="loose-answer">
          <div className="flex flex-wrap items-start justify-between gap-4">
            <div>
              <Heading>Pack to fit</Heading>
              <Num value={window.ideal} unit={unit} size={44} both />
            </div>
            <p className="m-0 text-right">
              <span className="text-ink2">lands in the limits</span>
              <span className="num block text-[18px] font-semibold whitespace-nowrap">{rangeWords(window, unit)}</span>
              <span className="text-[15px] text-ink2">{window.sure ? `sure ${rangeWords(window.sure, unit)}` : window.because}</span>
            </p>
          </div>
          <div className="mt-2 grid grid-cols-3 gap-2 max-sm:grid-cols-1">
            {choices?.choices.map((choice, i) => (
              <LoosePack key={i} choice={choice} unit={unit} first={i === 0} />
            ))}
          </div>
          {choices && (
            <p className="m-0 mt-2 border border-dashed border-edge px-3 py-2" data-testid="loose-make">
              {choices.choices.length === 0 && <>No pack on hand lands. </>}
              make <span className="num text-[18px] font-semibold">{formatLength(choices.make.in[unit].size, unit)}</span>{' '}
              <span className="num text-ink2">
                ±{formatLength(choices.make.in[unit].either, unit)} {unitWord(unit)}
              </span>
              {choices.make.plan && 'from' in choices.make.plan && (
                <>
                  {' '}
                  from <span className="num font-semibold">{formatLength(choices.make.plan.from, unit)}</span>{' '}
                  {choices.make.owned ? 'on hand' : 'stock, to be bought,'} take off{' '}
                  <span className="num font-semibold">{formatLength(choices.make.plan.takeOff, unit)}</span>
                </>
              )}
            </p>
          )}
          <div className="mt-2">
            <SumView sum={sheet.sum} unit={unit} answerAt={4} />
          </div>
          <p className="mt-1 mb-2 text-[15px] text-ink2">Reckoned from your reading: try it, and read again.</p>
          {nutted ? (
            <p className="m-0 text-ink2">Cones drawn together by a nut: the sum stands here, but there is no drawing of it to keep to a job.</p>
          ) : naming === null ? (
            <Primary className="w-full" onClick={() => setNaming('')}>
              Keep to a job…
            </Primary>
          ) : (
            <form
              className="flex items-start gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                if (naming.trim() !== '') void keepToJob(naming.trim());
              }}
            >
              <Field label="Name the machine" value={naming} onChange={(e) => setNaming(e.target.value)} autoFocus className="flex-1" />
              <Primary type="submit" enter disabled={sending || naming.trim() === ''} className="mt-7">
                Keep
              </Primary>
            </form>
          )}
        </div>
      )}
      <p className="m-0 text-[15px] text-ink2">
        Bare numbers are{' '}
        <Chip on={bare === 'thou'} onClick={() => void thinkIn('thou')}>
          thou
        </Chip>{' '}
        <Chip on={bare === 'mm'} onClick={() => void thinkIn('mm')}>
          mm
        </Chip>{' '}
        <Chip on={feelers} onClick={() => setFeelers((f) => !f)}>
          read with feelers
        </Chip>
      </p>
    </div>
  );
}

function LoosePack({ choice, unit, first }: { choice: PackChoice; unit: 'thou' | 'mm'; first: boolean }): JSX.Element {
  return (
    <div className={`border p-2 ${first ? 'border-2 border-blue bg-band' : 'border-edge bg-sheet'}`}>
      <span className="num block text-[16px] leading-5 font-semibold">{packWords(choice.leaves)}</span>
      <span className="flex items-center gap-2">
        <Mark kind="in" size={22} ground={first ? 'var(--band)' : 'var(--sheet)'} />
        <span className="ml-auto text-[14px] text-ink2">leaves</span>
        <span className="num text-[17px] font-semibold">{formatLength(choice.gives, unit)}</span>
      </span>
    </div>
  );
}

/** Where the shim is, on a small half section: the chosen place in brass. */
function PlaceDrawing({ place }: { place: Place }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const template = place === 'thrustWasher' ? 'plainThrust' : 'taperPair';
  const drawn: Place = place === 'thrustWasher' ? 'thrustWasher' : place === 'underCover' || place === 'behindCup' ? place : 'behindCone';
  const drawing = section({
    template,
    place: drawn,
    gasket: false,
    sizes: {},
    leaves: [{ thickness: nanometres(template === 'plainThrust' ? 4_000_000 : 900_000), metric: false }],
    packWords: '',
    gap: nanometres(500_000),
    turned: [],
    letter: 'A',
    width: 816,
    height: 388,
    unit: 'thou',
  });
  const shapes = drawing.shapes
    .filter(
      (s) =>
        (s.kind === 'path' || s.kind === 'rect') &&
        s.stroke !== 'blue' &&
        s.stroke !== 'brassText' &&
        !s.id?.startsWith('lens') &&
        s.fill !== 'ink' &&
        s.stroke !== 'ink',
    )
    .map((s) => (s.kind === 'path' ? { ...s, dash: '' } : s));
  const height = Math.min(150, width * 0.32);
  return (
    <div ref={ref} className="border border-edge bg-sheet" style={{ height: Math.max(height, 100) }}>
      {width > 50 && (
        <svg
          width="100%"
          height="100%"
          viewBox="92 52 640 160"
          preserveAspectRatio="xMidYMid meet"
          role="img"
          aria-label={`The shim ${SAYS[place] ?? ''}`}
        >
          <Shapes shapes={shapes} width={816} height={388} says="" />
        </svg>
      )}
    </div>
  );
}
