import { INSTRUMENTS, leavesTotal, TEMPLATES, withTolerance, type Place, type TemplateName } from '@elder-cog/core';
import { looseSheet, onHand } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { useNavigate } from 'react-router';
import { Chip, Heading, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand, useDrawer } from '../../state/api.ts';
import { useDraft } from '../../state/drafts.ts';
import { oneByOne } from '../../state/gapActions.ts';
import { useSettings } from '../../state/settings.ts';
import { thinkIn } from '../../state/thinkIn.ts';
import { inBoth } from '../../state/understood.ts';
import { usePackChoices } from '../../workers/packs.ts';
import { LooseAnswer } from './LooseAnswer.tsx';
import { looseJob } from './looseJob.ts';
import { NUTTED, OTHERS, PlaceDrawing, readyFor, SAYS, SPOTS, spotsOf } from './PlaceDrawing.tsx';

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
  const [other, setOther] = useState<TemplateName | null>(null);
  const [feelers, setFeelers] = useState(false);
  const bare = useSettings((st) => st.bare);
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
    ...(other ? { template: other } : {}),
    instrument,
  });
  const { window, reading, fitted } = sheet;
  const ready = other ? { template: other, place } : readyFor(place, nutted);
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
    if (!limits.meaning || !read.meaning || !reading) return;
    const made = looseJob({
      machine,
      ready,
      pack: said,
      limits: { text: limits.text, meaning: limits.meaning },
      read: { text: read.text, meaning: read.meaning, method, instrument, value: reading.value },
    });
    if (!made) return;
    try {
      await send(made.begin);
      for (const entry of [limits, pack, read]) entry.type('');
      void navigate(`/jobs/${made.jobId}/section?shaft=${made.shaftId}`);
    } catch {
      // the title block says why; the sheet keeps what was typed
    }
  };

  const spots = other ? spotsOf(other) : nutted ? NUTTED : SPOTS;
  const where = other ? 'there' : (SAYS[place] ?? '');
  /** The place stays where it is, where there is such a place. */
  const on = (template: TemplateName | null, byNut: boolean): void => {
    const there = template ? spotsOf(template) : byNut ? NUTTED : SPOTS;
    setOther(template);
    setNutted(byNut);
    if (!there.some((spot) => spot.place === place)) setPlace(there[0]?.place ?? 'behindCup');
  };
  return (
    <div className="flex flex-col gap-2 px-4 py-3">
      <div className="flex items-baseline justify-between">
        <Heading className="text-blue">Loose sheet</Heading>
        <span className="text-ink2">no machine, no set-up</span>
      </div>
      <div role="radiogroup" aria-label="Where is the shim?">
        <PlaceDrawing ready={ready} says={other ? (spots.find((spot) => spot.place === place)?.words[0] ?? '') : where} />
        <div className={`mt-1 grid gap-1 ${other ? 'grid-cols-2' : 'grid-cols-4'}`}>
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
          Thicker {where} ={' '}
          <strong className="font-semibold">
            {sheet.sense === 1 ? 'more float.' : sheet.sense === -1 ? 'less float.' : 'the same float: it moves the shaft.'}
          </strong>
        </span>
        <Chip on={nutted} onClick={() => on(null, !nutted)}>
          cones drawn by a nut
        </Chip>
      </p>
      <div className="flex items-center gap-x-3 text-[17px]">
        <label htmlFor="loose-on">On</label>
        <select
          id="loose-on"
          value={other ?? (nutted ? 'nut' : 'cover')}
          onChange={({ target: { value } }) => on(OTHERS.find((each) => each === value) ?? null, value === 'nut')}
          className="h-12 min-w-0 flex-1 border border-edge bg-sheet px-2 text-[16px]"
        >
          <option value="cover">a shaft closed by a cover</option>
          <option value="nut">cones drawn together by a nut</option>
          {OTHERS.map((each) => (
            <option key={each} value={each}>
              {TEMPLATES[each].title}
            </option>
          ))}
        </select>
      </div>
      <EntryField entry={limits} id="loose-limits" label="Limits" asksAtOnce inRow placeholder={bare === 'mm' ? 'like 0.04-0.09' : 'like 3½-7½'} />
      <EntryField
        entry={pack}
        id="loose-pack-in-now"
        label="Pack in now"
        asksAtOnce
        inRow
        placeholder={bare === 'mm' ? 'like 0.40+0.15' : 'like 16+7'}
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
        <LooseAnswer
          window={window}
          sum={sheet.sum}
          choices={choices ?? null}
          unit={unit}
          sending={sending}
          onKeep={(machine) => void keepToJob(machine)}
        />
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
