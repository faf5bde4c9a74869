import type { LimitSource } from '@elder-cog/contract';
import { formatQuantityLimits } from '@elder-cog/core';
import { SOURCE_WORDS, type SpecSheet } from '@elder-cog/derive';
import Papa from 'papaparse';

const COLUMNS = ['name', 'written', 'quantity', 'min', 'max', 'unit', 'source', 'page_or_whom', 'said', 'station', 'in_use'] as const;

/** The sheet for a spreadsheet: as written, and as figures in the unit written. */
export function sheetCsv(sheet: SpecSheet): string {
  const rows = sheet.groups
    .filter((group) => group.state !== 'words' && group.state !== 'leftOut')
    .flatMap((group) =>
      group.entries.map((entry) => {
        const from = entry.spec ?? entry.limit;
        const figure = (side: 'min' | 'max'): string =>
          !entry.limits || entry.limits[side] === null
            ? ''
            : formatQuantityLimits({ ...entry.limits, min: entry.limits[side], max: entry.limits[side] }, entry.limits.unit)
                .replace('−', '-')
                .replace('preload ', '-');
        return {
          name: entry.spec?.name || group.name,
          written: from?.written || entry.spec?.text || '',
          quantity: entry.limits?.kind ?? '',
          min: figure('min'),
          max: figure('max'),
          unit: entry.limits?.unit ?? '',
          source: SOURCE_WORDS[from?.source ?? ''] ?? '',
          page_or_whom: from?.pageOrWhom ?? '',
          said: from?.saidAt ?? '',
          station: group.station?.name ?? '',
          in_use: entry.inUse ? 'yes' : '',
        };
      }),
    );
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\n', escapeFormulae: true })}\n`;
}

/** What a spreadsheet holds, as lines to be understood; or the one sentence that says what is wrong with it. */
export function linesFromCsv(
  text: string,
): { readonly lines: readonly string[]; readonly source: LimitSource | null; readonly page: string } | string {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' });
  const fields = (meta.fields ?? []).map((f) => f.trim().toLowerCase());
  const column = (...names: string[]): string | undefined => meta.fields?.[fields.findIndex((f) => names.includes(f))];
  const [name, written] = [column('name', 'what', 'item'), column('written', 'limit', 'limits', 'spec', 'value')];
  if (!name || !written)
    return `A column for the name and one for the limits were expected, headed name and written; found ${
      fields
        .filter((f) => f !== '')
        .join(', ')
        .slice(0, 80) || 'none'
    }.`;
  const pages = new Set(data.map((row) => row[column('page_or_whom', 'page', 'source page') ?? ''] ?? ''));
  const sources = new Set(data.map((row) => row[column('source') ?? ''] ?? ''));
  const [source] = [...sources];
  const known = Object.entries(SOURCE_WORDS).find(([, words]) => words === source?.toLowerCase());
  return {
    // a station with no limits yet is on the sheet, and says nothing
    lines: data.filter((row) => (row[written] ?? '').trim() !== '').map((row) => `${row[name] ?? ''}: ${row[written] ?? ''}`),
    source: sources.size === 1 && known ? (known[0] as LimitSource) : null,
    page: pages.size === 1 ? ([...pages][0] ?? '') : '',
  };
}
