import type { JobFacts } from '@elder-cog/contract';
import { fieldsOf, formatLength, MADE, MADE_SIZES, type MadeSizeName } from '@elder-cog/core';
import Papa from 'papaparse';
import { titleOf } from './title.ts';

/** How a size is called at the head of its column: "inner_mm". */
const column = (name: MadeSizeName): string => `${name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)}_mm`;

/** Everything that is to be made of a job, one a line, for a spreadsheet: sizes in millimetres, and what it is made to in both systems. */
export function cuttingList(facts: JobFacts): string {
  const rows = facts.makings
    .filter(({ gone, state, form }) => gone !== true && state === 'open' && form !== null)
    .map((making) => {
      const { form } = making;
      const title = titleOf(facts, making);
      const used = new Set(form ? fieldsOf(form).map(({ name }) => name) : []);
      const size = (name: MadeSizeName): string => {
        const value = form?.sizes[name];
        return value === undefined || !used.has(name) ? '' : formatLength(value, 'mm');
      };
      return {
        part: making.name,
        kind: form ? MADE[form.kind].called : '',
        goes: title.place,
        made_to: title.to[0] ?? '',
        made_to_also: title.to[1] ?? '',
        material: making.material,
        from: title.from,
        ...Object.fromEntries(MADE_SIZES.map((name) => [column(name), size(name)])),
        holes: form?.counts.holes ?? '',
        tangs: form?.counts.tangs ?? '',
        grooves: form?.counts.grooves ?? '',
      };
    });
  return `${Papa.unparse(rows, { header: true, newline: '\n', escapeFormulae: true })}\n`;
}
