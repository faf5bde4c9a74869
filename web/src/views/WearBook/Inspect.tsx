import type { Decision, Inspection } from '@elder-cog/contract';
import {
  CLEANING_CAUTION,
  DECISIONS,
  LOOKS,
  PART_TYPES,
  partTypeOf,
  proposedDecision,
  SEVERITIES,
  type PartType,
  type Severity,
} from '@elder-cog/core';
import { inspectedParts, plainName, setsWith } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Over } from '../../kit/Over.tsx';
import { DialogTitle } from '../../kit/over.ts';
import { Caution, Chip, Field, Primary, Secondary } from '../../kit/controls.tsx';
import { Photos } from '../../kit/Photos.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { inspect } from '../../state/wearActions.ts';

export interface InspectSubject {
  readonly part: string;
  readonly stationId: string | null;
  readonly type: PartType | null;
}

/** One part looked over: a short list for its type, what that proposes, and what is decided, with why where it differs. */
export function InspectDialog({ subject, onClose }: { subject: InspectSubject | null; onClose: () => void }): JSX.Element {
  return (
    <Over open={subject !== null} onClose={onClose} place="sheet" className="max-w-3xl bg-sheet p-5 max-sm:p-3">
      {subject && <InspectForm key={subject.stationId ?? subject.part} subject={subject} onClose={onClose} />}
    </Over>
  );
}

function InspectForm({ subject, onClose }: { subject: InspectSubject; onClose: () => void }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const known = inspectedParts(facts).find((p) => p.key === (subject.stationId ?? plainName(subject.part)));
  const [type, setType] = useState<PartType>(subject.type ?? (known?.last.partType as PartType | undefined) ?? partTypeOf(subject.part));
  const [severity, setSeverity] = useState<Readonly<Record<string, Severity>>>({});
  const [other, setOther] = useState('');
  const [cleaned, setCleaned] = useState(known?.last.cleaned ?? false);
  const [decision, setDecision] = useState<Decision | null>(null);
  const [reason, setReason] = useState('');
  const [tried, setTried] = useState(false);
  const list = LOOKS[type];
  const findings = [
    ...list.looks.flatMap(({ look }) => (severity[look] === undefined ? [] : [{ look, severity: severity[look] ?? 'none', note: '' }])),
    ...(other.trim() === '' ? [] : [{ look: other.trim().slice(0, 80), severity: 'slight' as const, note: '' }]),
  ];
  const proposed = proposedDecision(type, findings);
  // nothing is proposed of what nobody has looked at; what was decided before stands till something else is seen
  const isLooked = findings.length > 0;
  const chosen = decision ?? (isLooked ? proposed : (known?.last.decision ?? null));
  const needsWhy = isLooked && chosen !== null && chosen !== proposed && reason.trim() === '';
  const sets = setsWith(facts, subject.part);
  const partsWays = sets.length > 0 && chosen !== null && ['make', 'replace', 'scrap'].includes(chosen);
  const keep = async (): Promise<void> => {
    setTried(true);
    if (needsWhy || chosen === null) return;
    try {
      await send(
        inspect({
          jobId: facts.job.id,
          stationId: subject.stationId,
          part: subject.part,
          partType: type,
          cleaned,
          findings,
          proposed: isLooked ? proposed : null,
          decision: chosen,
          reason: reason.trim(),
        }),
      );
      onClose();
    } catch {
      // the title block says why; what was ticked stays
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <DialogTitle className="label m-0 text-[22px] font-semibold">{subject.part}</DialogTitle>
        <label className="flex items-center gap-2">
          <span className="text-ink2">looked over as</span>
          <select value={type} onChange={(e) => setType(e.target.value as PartType)} className="h-12 border border-edge bg-sheet px-2 text-[16px]">
            {PART_TYPES.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </label>
      </div>
      <ul className="m-0 mt-2 list-none p-0">
        {list.looks.map(({ look }) => (
          <li key={look} className="flex flex-wrap items-center justify-between gap-x-4 border-t border-rule py-1">
            <span className="text-[17px]">{look}</span>
            <span role="group" aria-label={look} className="flex gap-2">
              {SEVERITIES.map((each) => (
                <Chip key={each} on={severity[look] === each} onClick={() => setSeverity((s) => ({ ...s, [look]: each }))}>
                  {each === 'none' ? 'no' : each}
                </Chip>
              ))}
            </span>
          </li>
        ))}
      </ul>
      <Field
        label="Something else seen"
        hideLabel
        value={other}
        maxLength={80}
        onChange={(e) => setOther(e.target.value)}
        placeholder="something else seen"
      />
      {list.factory.length > 0 && <p className="m-0 text-[16px] text-ink2">From the factory, and no fault: {list.factory.join('; ')}.</p>}
      <div role="group" aria-label="Cleaned" className="mt-2 flex flex-wrap items-center gap-2">
        <Chip on={cleaned} onClick={() => setCleaned(true)}>
          clean
        </Chip>
        <Chip on={!cleaned} onClick={() => setCleaned(false)}>
          not cleaned yet
        </Chip>
        {!cleaned && (
          <>
            <span className="text-[16px] text-ink2">What is passed now is to be looked at again, clean.</span>
            <Caution>{CLEANING_CAUTION}</Caution>
          </>
        )}
      </div>
      <div role="group" aria-label="Decision" className="mt-3 flex flex-wrap items-center gap-2 border-t-2 border-ink pt-3">
        {DECISIONS.map((each) => (
          <Chip key={each} on={chosen === each} onClick={() => setDecision(each)}>
            {each}
            {isLooked && each === proposed ? ', proposed' : ''}
          </Chip>
        ))}
      </div>
      <Field
        label={whyLabel(chosen, isLooked ? proposed : null)}
        value={reason}
        maxLength={400}
        onChange={(e) => setReason(e.target.value)}
        refusal={tried && needsWhy ? `Say why it is ${chosen} and not ${proposed}: it stays beside the part.` : null}
        className="mt-2"
      />
      {partsWays && (
        <p role="alert" className="m-0 mb-2 border-l-4 border-tight pl-3">
          It is one of a matched set, {sets.map((s) => s.name).join(', ')}: {sets.flatMap((s) => s.members).join(', ')} stay together. Replace one and
          the others are in question.
        </p>
      )}
      {known && <History history={known.history} />}
      {known && <Photos ofKind="inspection" ofId={known.last.id} caption={subject.part} />}
      <div className="mt-3 flex gap-3">
        <Primary type="submit" enter disabled={sending || chosen === null}>
          {chosen === null ? 'Say what is decided' : `Keep: ${chosen}`}
        </Primary>
        <Secondary onClick={onClose} className="min-h-14">
          Leave it
        </Secondary>
      </div>
    </form>
  );
}

/** What the reason is of. */
function whyLabel(chosen: Decision | null, proposed: Decision | null): string {
  if (chosen === null || chosen === proposed || (proposed === null && chosen === 'reuse')) return 'Why, if it needs saying';
  return proposed === null ? `Why ${chosen}` : `Why ${chosen} and not ${proposed}`;
}

/** What was decided before, and why: passed in March, failed in June. */
export function History({ history }: { history: readonly Inspection[] }): JSX.Element {
  return (
    <ol className="m-0 mb-2 list-none border-t border-rule p-0 pt-1 text-[16px]">
      {[...history].reverse().map((each) => (
        <li key={each.id} className="flex flex-wrap gap-x-3">
          <span className="text-ink2">{format(new Date(each.at), 'd MMM yyyy')}</span>
          <span className="font-medium">{each.decision}</span>
          <span>
            {[
              ...each.findings.filter((f) => f.severity !== 'none').map((f) => `${f.look}, ${f.severity}`),
              ...(each.reason === '' ? [] : [each.reason]),
              ...(each.cleaned ? [] : ['not cleaned']),
            ].join('; ')}
          </span>
          <span className="text-ink2">{each.who}</span>
        </li>
      ))}
    </ol>
  );
}
