import type { LimitSource } from '@elder-cog/contract';
import { SOURCE_WORDS } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Field } from '../../kit/controls.tsx';
import type { SpecOrigin } from '../../state/specActions.ts';

const SOURCES: readonly LimitSource[] = ['manual', 'drawing', 'standard', 'as_found', 'other_side', 'sister', 'rule', 'reckoned', 'told'];

/** Where it comes from: one of nine, and the page, or by whom and when. */
export function OriginFields({ origin, onChange, id }: { origin: SpecOrigin; onChange: (origin: SpecOrigin) => void; id: string }): JSX.Element {
  const isTold = origin.source === 'told';
  return (
    <div className="flex flex-wrap items-start gap-3">
      <div>
        <label htmlFor={`${id}-source`} className="sr-only">
          Where it comes from
        </label>
        <select
          id={`${id}-source`}
          value={origin.source}
          onChange={(e) => onChange({ ...origin, source: e.target.value as LimitSource })}
          className="mt-1 h-14 border border-edge bg-sheet px-3 text-[17px]"
        >
          {SOURCES.map((source) => (
            <option key={source} value={source}>
              {SOURCE_WORDS[source]}
            </option>
          ))}
        </select>
      </div>
      <Field
        id={`${id}-page`}
        label={isTold ? 'By whom' : 'Page'}
        hideLabel
        value={origin.pageOrWhom}
        maxLength={120}
        onChange={(e) => onChange({ ...origin, pageOrWhom: e.target.value })}
        placeholder={isTold ? 'by whom' : 'page'}
        className="w-40"
      />
      {isTold && (
        <Field
          id={`${id}-when`}
          label="When"
          hideLabel
          value={origin.saidAt}
          maxLength={60}
          onChange={(e) => onChange({ ...origin, saidAt: e.target.value })}
          placeholder="when"
          className="w-32"
        />
      )}
    </div>
  );
}
