import { bearingFits, describeLength, nanometres, orNull, type MeasuredBearing, type NearBearing } from '@elder-cog/core';
import type { BearingState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Chip, Heading, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { numberOn } from '../../state/rollerActions.ts';
import { useSettings } from '../../state/settings.ts';
import { bearingSizes } from './BearingRows.tsx';

const NEAR_WORDS: Readonly<Record<NearBearing['why'], string>> = {
  same: 'the same three sizes: look at what rolls in it',
  otherWidth: 'another width',
  otherBore: 'another bore',
  otherOutside: 'another outside',
};

type Width = 'ball' | 'T' | 'B' | 'C';
const WIDTHS: readonly (readonly [of: Width, words: string])[] = [
  ['ball', 'of one ring: ball or roller'],
  ['T', 'taper, both rings together'],
  ['B', 'taper, its cone'],
  ['C', 'taper, its cup'],
];

/** What a bearing is by its sizes: those that share them all named, and what it could be taken for. */
export function BearingFinder({ bearings }: { bearings: readonly BearingState[] }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const [of, setOf] = useState<Width>('ball');
  const question = { field: 'size', bare, quantity: 'diameter' } as const;
  const bore = useEntry(question);
  const outside = useEntry(question);
  const width = useEntry(question);
  const like = (mm: string, inches: string): string => `like ${bare === 'mm' ? mm : inches}`;
  const across = bore.meaning && outside.meaning ? { bore: bore.meaning.value, outside: outside.meaning.value } : null;
  const measured: MeasuredBearing | null =
    across === null ? null : { ...across, ...(width.meaning ? { width: width.meaning.value } : {}), ...(of === 'ball' ? {} : { measured: of }) };
  const isWrong = measured !== null && measured.outside <= measured.bore;
  const found = measured && !isWrong ? orNull(() => bearingFits(measured)) : null;
  // those of the same sizes stand in the list above already
  const near = found?.near.filter(({ name }) => !found.fits.slice(0, 6).some((fit) => fit.name === name)) ?? [];
  return (
    <section aria-label="Which bearing is it" className="no-print border-b-2 border-ink px-4 py-2">
      <Heading className="text-blue">Which bearing is it?</Heading>
      <div className="grid grid-cols-3 gap-x-3 max-sm:grid-cols-1">
        <EntryField entry={bore} id="bearing-bore" asksAtOnce label="Bore" placeholder={like('35.00', '1.378')} />
        <EntryField entry={outside} id="bearing-outside" asksAtOnce label="Outside" placeholder={like('79.98', '3.149')} />
        <EntryField entry={width} id="bearing-width" asksAtOnce label="Width" placeholder={like('22.7', '.894')} />
      </div>
      <div role="group" aria-label="Of what" className="flex flex-wrap gap-2 py-1">
        {WIDTHS.map(([each, words]) => (
          <Chip key={each} on={of === each} onClick={() => setOf(each)}>
            {words}
          </Chip>
        ))}
      </div>
      {isWrong && <p className="m-0 text-[16px] text-tight">The outside is more than the bore: measure both again.</p>}
      {found &&
        (found.fits.length === 0 ? (
          <p className="m-0 text-[17px]">
            None that is known here has those sizes: it may be an inch bearing of a number of its own, or a special one.
          </p>
        ) : (
          <ul aria-label="It may be this bearing" className="m-0 list-none p-0">
            {found.fits.slice(0, 6).map((fit) => (
              <li key={fit.name} className="border-t border-rule py-1">
                <p className="m-0">
                  <span className="num text-[20px] font-semibold">{fit.name}</span>{' '}
                  <span className="text-[16px] text-ink2">
                    {bearingSizes(fit.row)}
                    {fit.residual === 0 ? '' : `; ${describeLength(nanometres(Math.abs(fit.residual)), 'mm')} ${fit.residual < 0 ? 'under' : 'over'}`}
                    {fit.row.isFairly ? '; not sure of this row' : ''}
                  </span>
                </p>
                <StampOn name={fit.name} bearings={bearings} />
              </li>
            ))}
          </ul>
        ))}
      {near.length > 0 && (
        <>
          <Heading className="mt-2">What it could be taken for</Heading>
          <ul aria-label="Taken for" className="m-0 list-none p-0">
            {near.slice(0, 6).map((near) => (
              <li key={near.name} className="flex min-h-9 flex-wrap items-center gap-x-3 border-t border-rule text-[16px]">
                <span className="num font-semibold">{near.name}</span>
                <span>
                  {NEAR_WORDS[near.why]}: {bearingSizes(near.row)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      <Caution>
        Sizes do not tell the type, nor how it is made inside; and the list is from memory. Read what is stamped on it before one is ordered.
      </Caution>
    </section>
  );
}

/** The rings of this shaft that have no number yet, or another: a bearing found by its sizes is one of them. */
function StampOn({ name, bearings }: { name: string; bearings: readonly BearingState[] }): JSX.Element | null {
  const { send, sending } = useCommand();
  const open = bearings.filter(({ parts }) => parts.some(({ part }) => part.number === ''));
  if (open.length === 0) return null;
  const put = async ({ parts }: BearingState): Promise<void> => {
    for (const { part } of parts.filter((each) => each.part.number === '')) await send(numberOn(part, name));
  };
  return (
    <div className="flex flex-wrap gap-2 py-1">
      {open.map((bearing) => (
        <Secondary key={bearing.id} disabled={sending} onClick={() => void put(bearing).catch(() => undefined)}>
          It is the {bearing.name.charAt(0).toLowerCase() + bearing.name.slice(1)}
        </Secondary>
      ))}
    </div>
  );
}
