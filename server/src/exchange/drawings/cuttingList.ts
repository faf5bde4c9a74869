import type { JobFacts } from '@elder-cog/contract';
import { fieldsOf, formatLength, MADE, MADE_SIZES, type MadeSizeName } from '@elder-cog/core';
import { derive, makingsOf } from '@elder-cog/derive';
import Papa from 'papaparse';
import { titleOf } from './title.ts';

/** How a size is called at the head of its column: "inner_mm". */
const column = (name: MadeSizeName): string => `${name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)}_mm`;

/** Everything that is to be made of a job, one a line, for a spreadsheet: sizes in millimetres, and what it is made to in both systems. */
export function cuttingList(facts: JobFacts): string {
  const rows = makingsOf(facts, derive(facts).shafts)
    .filter(({ making: { state, form } }) => state === 'open' && form !== null)
    .map((made) => {
      const { form, name, material } = made.making;
      const title = titleOf(facts, made);
      const used = new Set(form ? fieldsOf(form).map((field) => field.name) : []);
      const size = (of: MadeSizeName): string => {
        const value = form?.sizes[of];
        return value === undefined || !used.has(of) ? '' : formatLength(value, 'mm');
      };
      return {
        part: name,
        kind: form ? MADE[form.kind].called : '',
        goes: title.place,
        made_to: title.to[0] ?? '',
        made_to_also: title.to[1] ?? '',
        material,
        from: title.from,
        ...Object.fromEntries(MADE_SIZES.map((of) => [column(of), size(of)])),
        holes: form?.counts.holes ?? '',
        tangs: form?.counts.tangs ?? '',
        grooves: form?.counts.grooves ?? '',
      };
    });
  return `${Papa.unparse(rows, { header: true, newline: '\n', escapeFormulae: true })}\n`;
}
