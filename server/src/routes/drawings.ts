import type { JobFacts, Making } from '@elder-cog/contract';
import { blankMiddle, blankOf, describeLength, mm, nestParts, ReckoningError, type MadeForm } from '@elder-cog/core';
import { derive, makingState, type MakingState } from '@elder-cog/derive';
import { z } from 'zod';
import { WorkshopError } from '../errors.ts';
import { cuttingList, dxfOf, labelOf, pdfOf, svgOf, titleOf } from '../exchange/drawings/index.ts';
import { fileName } from '../exchange/exportFiles.ts';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

const now = (): string => new Date().toISOString();
const sentAs = (name: string): string => `attachment; filename="${name}"`;
const params = z.object({ id: z.uuid(), makingId: z.uuid() });
const size = z.coerce.number().min(1).max(5000);

interface Asked {
  readonly facts: JobFacts;
  readonly row: Making;
  readonly form: MadeForm;
}

const stateOf = ({ facts, row }: Asked): MakingState => makingState(facts, derive(facts).shafts, row);

/** What it was measured last, in both systems, its own first; nothing where nobody has. */
function measuredOf({ now: read, unit }: MakingState): string[] {
  const both = unit === 'mm' ? (['mm', 'thou'] as const) : (['thou', 'mm'] as const);
  return read ? both.map((each) => describeLength(read.value, each)) : [];
}

interface DrawnFile {
  readonly file: string;
  readonly type: string;
  /** after its name, in that of the file */
  readonly called?: string;
  readonly make: (asked: Asked) => Buffer | string | Promise<Buffer>;
}

/** The files of one thing that is made. */
const FILES: readonly DrawnFile[] = [
  { file: 'drawing.pdf', type: 'application/pdf', make: (asked) => pdfOf(asked.form, titleOf(asked.facts, stateOf(asked)), now()) },
  {
    file: 'label.pdf',
    type: 'application/pdf',
    called: ' label',
    make: (asked) => {
      const state = stateOf(asked);
      return labelOf(titleOf(asked.facts, state), { measured: measuredOf(state), at: now() });
    },
  },
  { file: 'drawing.svg', type: 'image/svg+xml; charset=utf-8', make: ({ facts, row, form }) => svgOf(form, `${facts.job.machine}: ${row.name}`) },
  { file: 'drawing.dxf', type: 'application/dxf', make: ({ form }) => dxfOf([{ form, x: 0, y: 0 }]) },
];

/** What is made, as files that a printer, a laser or a spreadsheet takes. */
export function drawingRoutes(app: App, workshop: Workshop): void {
  const factsOf = (id: string): JobFacts => workshop.cache.facts(id);
  const formIn = (facts: JobFacts, makingId: string): { readonly row: Making; readonly form: MadeForm } => {
    const row = facts.makings.find((m) => m.id === makingId && m.gone !== true);
    if (!row) throw new WorkshopError('notFound', 'That is not among what is made here.');
    if (row.form === null) throw new WorkshopError('badRequest', 'That is taken off a part that is there: there is nothing to draw.');
    return { row, form: row.form };
  };
  const drawn = async <Answer>(make: () => Answer | Promise<Answer>): Promise<Answer> => {
    try {
      return await make();
    } catch (error) {
      if (error instanceof ReckoningError) throw new WorkshopError('badRequest', `It cannot be drawn yet. ${error.message}`);
      throw error;
    }
  };
  const named = ({ job }: JobFacts, name: string, end: string): string => sentAs(`${fileName(job.machine, '')}-${fileName(name, '')}.${end}`);

  for (const { file, type, called = '', make } of FILES)
    app.get(`/api/jobs/:id/makings/:makingId/${file}`, { schema: { params } }, async ({ params: { id, makingId } }, reply) => {
      const facts = factsOf(id);
      const { row, form } = formIn(facts, makingId);
      const content = await drawn(() => make({ facts, row, form }));
      return reply
        .header('content-disposition', named(facts, row.name + called, file.split('.').at(-1) ?? ''))
        .type(type)
        .send(content);
    });
  app.get('/api/jobs/:id/cutting.csv', { schema: { params: params.pick({ id: true }) } }, ({ params: { id } }, reply) => {
    const facts = factsOf(id);
    return reply
      .header('content-disposition', named(facts, 'cutting list', 'csv'))
      .type('text/csv; charset=utf-8')
      .send(`\uFEFF${cuttingList(facts)}`);
  });
  // several parts laid out on one sheet: each named as often as it is to be cut
  app.get(
    '/api/jobs/:id/sheet.dxf',
    {
      schema: {
        params: params.pick({ id: true }),
        querystring: z.object({
          parts: z.string().max(8000),
          width: size,
          height: size,
          kerf: z.coerce.number().min(0).max(10),
          margin: z.coerce.number().min(0).max(100),
        }),
      },
    },
    async ({ params: { id }, query }, reply) => {
      const facts = factsOf(id);
      const forms = query.parts.split(',').map((makingId) => formIn(facts, makingId).form);
      const sheet = { width: mm(query.width), height: mm(query.height) };
      const dxf = await drawn(() => {
        const { placed } = nestParts({
          sheet,
          taken: [],
          parts: forms.map((form, i) => blankOf(form, String(i))),
          kerf: mm(query.kerf),
          margin: mm(query.margin),
        });
        return dxfOf(
          placed.flatMap(({ id: at, x, y }) => {
            const form = forms[Number(at)];
            return form ? [{ form, x, y: y - blankMiddle(form) }] : [];
          }),
          sheet,
        );
      });
      return reply
        .header('content-disposition', named(facts, 'sheet', 'dxf'))
        .type('application/dxf')
        .send(dxf);
    },
  );
}
