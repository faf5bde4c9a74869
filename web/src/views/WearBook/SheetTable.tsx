import type { Change, Limit, Spec, Station } from '@elder-cog/contract';
import { FEATURES, formatQuantityLimits, isFeatureKind, quantityUnitWord, twoSystems, type QuantityLimits } from '@elder-cog/core';
import { type SpecEntry, type SpecGroup, type SpecSheet } from '@elder-cog/derive';
import { Menu, MenuButton, MenuItem, MenuItems } from '../../kit/over.ts';
import { Check } from 'lucide-react';
import { type JSX } from 'react';
import { Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { copyTo, copyToJoint, leaveOut, meantBy } from '../../state/specActions.ts';
import { originWords } from '../../state/understood.ts';

const GRID =
  'grid grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)_124px_148px_minmax(0,0.8fr)_108px] gap-x-3 max-lg:grid-cols-[minmax(0,1fr)_150px_170px] max-sm:grid-cols-2';

export function SheetTable({ sheet, onMend }: { sheet: SpecSheet; onMend: (spec: Spec) => void }): JSX.Element {
  let line = 0;
  return (
    <table aria-label="Limits" className="block bg-sheet">
      <thead className="block max-lg:sr-only">
        <tr className={`${GRID} label border-b-2 border-ink px-4 py-2 text-[16px] text-ink2 [&>th]:text-left [&>th]:font-semibold`}>
          <th scope="col">As it stands on the page</th>
          <th scope="col">Understood as</th>
          <th scope="col">Thou, inch</th>
          <th scope="col">Millimetre</th>
          <th scope="col">Source and page</th>
          <th scope="col" className="text-right!">
            In use
          </th>
        </tr>
      </thead>
      {sheet.groups.map((group) => {
        if (group.entries.some((e) => e.spec !== null) && group.state !== 'words') line += 1;
        return <GroupRows key={group.key} group={group} line={line} onMend={onMend} />;
      })}
    </table>
  );
}

function GroupRows({ group, line, onMend }: { group: SpecGroup; line: number; onMend: (spec: Spec) => void }): JSX.Element {
  const wants = group.disagree || group.state === 'ask' || group.state === 'notUnderstood';
  if (group.state === 'words')
    return (
      <tbody className="block">
        <tr className="block border-b border-rule px-4 py-2">
          <td colSpan={6} className="label block text-[17px] font-semibold">
            {group.entries[0]?.spec?.text}
          </td>
        </tr>
      </tbody>
    );
  return (
    <tbody className={`block border-b border-rule ${wants ? 'border-l-4 border-l-blue bg-band' : 'border-l-4 border-l-transparent'}`}>
      {group.entries.map((entry, i) => (
        <EntryRow key={entry.spec?.id ?? entry.limit?.id} group={group} entry={entry} first={i === 0} line={line} onMend={onMend} />
      ))}
    </tbody>
  );
}

function EntryRow({
  group,
  entry,
  first,
  line,
  onMend,
}: {
  group: SpecGroup;
  entry: SpecEntry;
  first: boolean;
  line: number;
  onMend: (spec: Spec) => void;
}): JSX.Element {
  const isAsk = group.state === 'ask' && first;
  return (
    <tr className={`${GRID} min-h-12 px-3 py-1.5 ${first ? '' : 'border-t border-rule'} ${group.state === 'leftOut' ? 'text-ink2' : ''}`}>
      <td className="flex min-w-0 gap-3 max-lg:col-span-full">
        <span className="num w-6 shrink-0 pt-1 text-right text-[15px] text-ink2">{entry.spec ? (first ? line : '+') : ''}</span>
        <AsPrinted entry={entry} />
      </td>
      <td className={`min-w-0 max-sm:col-span-full ${first ? '' : 'max-sm:hidden'}`}>
        {first && (
          <>
            <span className={`block text-[17px] leading-6 font-medium ${group.state === 'leftOut' ? 'line-through' : ''}`}>
              {group.state === 'notUnderstood' ? 'Not understood' : group.station && entry.spec ? entry.spec.name : group.name}
            </span>
            <span className="block text-[15px] leading-5 text-ink2">{subOf(group, entry)}</span>
            {group.disagree && <span className="label block text-[15px] font-semibold text-blue">Two sources disagree</span>}
            {isAsk && <span className="label block text-[15px] font-semibold text-blue">Which do they mean?</span>}
          </>
        )}
      </td>
      {isAsk && entry.spec ? (
        <Meanings spec={entry.spec} group={group} />
      ) : group.state === 'notUnderstood' && entry.spec ? (
        <NotUnderstood spec={entry.spec} because={group.because} onMend={onMend} />
      ) : (
        <Figures group={group} entry={entry} onMend={onMend} />
      )}
    </tr>
  );
}

/** The line as typed, its figure underlined. */
function AsPrinted({ entry }: { entry: SpecEntry }): JSX.Element {
  const { spec, limit } = entry;
  if (!spec) return <span className="num text-[16px] leading-7 text-ink2">not on a page: {limit?.written}</span>;
  const at = spec.written === '' ? -1 : spec.text.lastIndexOf(spec.written.split(' (')[0] ?? '');
  const length = (spec.written.split(' (')[0] ?? '').length;
  return (
    <span className="num min-w-0 text-[16px] leading-7 [overflow-wrap:anywhere]">
      {at < 0 ? (
        spec.text
      ) : (
        <>
          {spec.text.slice(0, at)}
          <span
            className={`border-b-2 ${length < 20 ? 'whitespace-nowrap' : ''} ${spec.quantity === null ? 'border-dotted border-ink2' : 'border-blue'}`}
          >
            {spec.text.slice(at, at + length)}
          </span>
          {spec.text.slice(at + length)}
        </>
      )}
    </span>
  );
}

function subOf(group: SpecGroup, { spec, limit }: SpecEntry): string {
  if (group.state === 'leftOut') return 'left out';
  if (group.state === 'notUnderstood') return group.because;
  if (group.state === 'ask') return group.because;
  const remark = spec?.remark ?? '';
  const where = group.station ? (spec && spec.name !== group.station.name ? `limit of ${group.station.name}` : stationWords(group.station)) : '';
  return [where, remark, limit?.working ?? ''].filter((w) => w !== '').join(' · ');
}

const stationWords = (station: Station): string =>
  isFeatureKind(station.subject)
    ? FEATURES[station.subject].measures
    : { gap: 'a gap', link: 'a size', depth: 'a depth', pair: 'clearance', check: 'a check', drag: 'a drag', fastener: 'a torque' }[station.subject];

function TwoColumns({ limits }: { limits: QuantityLimits }): JSX.Element {
  const { imperial, metric } = twoSystems(limits);
  const cell = (unit: string, strong: boolean): JSX.Element => (
    <td className="num leading-7 whitespace-nowrap max-lg:whitespace-normal">
      <span className={strong ? 'text-[19px] font-semibold' : 'text-[17px] text-ink2'}>{formatIn(limits, unit)}</span>{' '}
      <span className="unit text-[15px]">{quantityUnitWord(unit)}</span>
    </td>
  );
  return (
    <>
      {cell(imperial, limits.unit === imperial || imperial !== limits.unit ? limits.unit !== metric : false)}
      {cell(metric, limits.unit === metric)}
    </>
  );
}

export const formatIn = (limits: QuantityLimits, unit: string): string => {
  try {
    return formatQuantityLimits(limits, unit);
  } catch {
    return 'no whole step';
  }
};

function Figures({ group, entry, onMend }: { group: SpecGroup; entry: SpecEntry; onMend: (spec: Spec) => void }): JSX.Element {
  const { send } = useCommand();
  const { facts } = useJob();
  const { spec, limit } = entry;
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  return (
    <>
      {entry.limits ? <TwoColumns limits={entry.limits} /> : <td colSpan={2} className="col-span-2" />}
      <td className="min-w-0 text-[15px] leading-6 max-lg:col-span-2 max-sm:col-span-1">
        {originWords(limit ?? spec)}
        {(entry.trust === 'told once' || entry.trust === 'told twice' || entry.trust === 'told, and printed') && (
          <span className="block leading-5 text-ink2">
            {{ 'told once': 'unconfirmed', 'told twice': 'two say so', 'told, and printed': 'and in print' }[entry.trust]}
          </span>
        )}
        {(limit ?? spec)?.source === 'reckoned' && <span className="block leading-5 text-ink2">reckoned, yours to accept</span>}
      </td>
      <td className="flex items-start justify-end gap-2">
        {group.state === 'leftOut' && spec ? (
          <Secondary onClick={() => quietly(leaveOut(spec, false))}>put back</Secondary>
        ) : limit?.inUse ? (
          <span className="flex h-12 w-12 items-center justify-center bg-ink text-sheet" role="img" aria-label="In use">
            <Check size={24} aria-hidden="true" />
          </span>
        ) : limit ? (
          <Secondary
            onClick={() => quietly({ kind: 'limit.use', id: limit.id, revision: limit.revision })}
            className="no-print px-3 whitespace-nowrap"
          >
            use this
          </Secondary>
        ) : spec ? (
          <ForStation spec={spec} fits={group.fits} stations={facts.stations} limits={facts.limits} onMend={() => onMend(spec)} />
        ) : null}
      </td>
    </>
  );
}

/** Where a line belongs: the station its name fits, or one that is chosen. */
function ForStation({
  spec,
  fits,
  stations,
  limits,
  onMend,
}: {
  spec: Spec;
  fits: Station | null;
  stations: readonly Station[];
  limits: readonly Limit[];
  onMend: () => void;
}): JSX.Element {
  const { send } = useCommand();
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  const { box } = useJob();
  const open = stations.filter((s) => s.quantity === spec.quantity && !s.gone);
  return (
    <Menu>
      <MenuButton
        className="no-print min-h-12 border border-edge bg-sheet px-3 text-[15px] whitespace-nowrap"
        aria-label={`What to do with ${spec.name}`}
      >
        {fits ? 'fits one ▾' : 'keep for ▾'}
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-20 max-h-96 overflow-auto border-2 border-ink bg-sheet">
        {open
          .toSorted((a, b) => Number(b.id === fits?.id) - Number(a.id === fits?.id))
          .map((station) => (
            <MenuItem key={station.id}>
              <button
                type="button"
                onClick={() => quietly(copyTo(spec, station, limits))}
                className={`block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band ${station.id === fits?.id ? 'font-semibold' : ''}`}
              >
                limit of {station.name}
              </button>
            </MenuItem>
          ))}
        {spec.quantity === 'torque' && box && (
          <MenuItem>
            <button
              type="button"
              onClick={() => void send(...copyToJoint(spec, box.id)).catch(() => undefined)}
              className="block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band"
            >
              torque of a joint of its own
            </button>
          </MenuItem>
        )}
        <MenuItem>
          <button
            type="button"
            onClick={onMend}
            className="block min-h-12 w-full border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            type the line again
          </button>
        </MenuItem>
        <MenuItem>
          <button
            type="button"
            onClick={() => quietly(leaveOut(spec, true))}
            className="block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            leave it out
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}

/** Two meanings are two buttons; nothing is chosen for anyone. */
function Meanings({ spec, group }: { spec: Spec; group: SpecGroup }): JSX.Element {
  const { send } = useCommand();
  const quietly = (change: Change): void => void send(change).catch(() => undefined);
  return (
    <td colSpan={4} className="col-span-4 flex flex-wrap items-start gap-2 py-0.5 max-lg:col-span-full">
      {group.meanings.map((limits, i) => {
        const { imperial, metric } = twoSystems(limits);
        const [said, other] = limits.unit === metric ? [metric, imperial] : [limits.unit === imperial ? imperial : limits.unit, metric];
        return (
          <Secondary key={i} onClick={() => quietly(meantBy(spec, limits))} className={`py-1 ${i === 0 ? 'border-2 border-blue' : ''}`}>
            <span className="num block text-[18px] leading-6 font-semibold whitespace-nowrap">
              {formatIn(limits, said)} <span className="unit text-[15px]">{quantityUnitWord(said)}</span>
            </span>
            <span className="num block text-[14px] leading-5 whitespace-nowrap text-ink2">
              {formatIn(limits, other)} {quantityUnitWord(other)}
            </span>
          </Secondary>
        );
      })}
      <Secondary onClick={() => quietly(leaveOut(spec, true))} className="no-print">
        leave it out
      </Secondary>
      {group.hint && <span className="basis-full text-[15px] text-ink2">{group.hint}</span>}
    </td>
  );
}

function NotUnderstood({ spec, because, onMend }: { spec: Spec; because: string; onMend: (spec: Spec) => void }): JSX.Element {
  const { send } = useCommand();
  return (
    <td colSpan={4} className="col-span-4 flex flex-wrap items-center gap-2 max-lg:col-span-full">
      <span className="sr-only">{because}</span>
      <Secondary onClick={() => onMend(spec)}>type it again</Secondary>
      <Secondary onClick={() => void send(leaveOut(spec, true)).catch(() => undefined)}>leave it out</Secondary>
    </td>
  );
}
