import type { JobFacts, Making } from '@elder-cog/contract';
import { blankMiddle, blankOf, describeLength, mm, nestParts, ReckoningError, type MadeForm } from '@elder-cog/core';
import { derive, makingState } from '@elder-cog/derive';
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

/** What is made, as files that a printer, a laser or a spreadsheet takes. */
export function drawingRoutes(app: App, workshop: Workshop): void {
  const factsOf = (id: string): JobFacts => workshop.cache.facts(id);
  const making = (facts: JobFacts, makingId: string): Making & { readonly form: MadeForm } => {
    const found = facts.makings.find((m) => m.id === makingId && m.gone !== true);
    if (!found) throw new WorkshopError('notFound', 'That is not among what is made here.');
    if (found.form === null) throw new WorkshopError('badRequest', 'That is taken off a part that is there: there is nothing to draw.');
    return { ...found, form: found.form };
  };
  const drawn = <Answer>(make: () => Answer): Answer => {
    try {
      return make();
    } catch (error) {
      if (error instanceof ReckoningError) throw new WorkshopError('badRequest', `It cannot be drawn yet. ${error.message}`);
      throw error;
    }
  };
  const named = ({ job }: JobFacts, name: string, end: string): string => sentAs(`${fileName(job.machine, '')}-${fileName(name, '')}.${end}`);

  app.get('/api/jobs/:id/makings/:makingId/drawing.pdf', { schema: { params } }, async ({ params: { id, makingId } }, reply) => {
    const facts = factsOf(id);
    const row = making(facts, makingId);
    const pdf = await drawn(() => pdfOf(row.form, titleOf(facts, row), now()));
    return reply
      .header('content-disposition', named(facts, row.name, 'pdf'))
      .type('application/pdf')
      .send(pdf);
  });
  app.get('/api/jobs/:id/makings/:makingId/label.pdf', { schema: { params } }, async ({ params: { id, makingId } }, reply) => {
    const facts = factsOf(id);
    const row = making(facts, makingId);
    const state = makingState(facts, derive(facts).shafts, row);
    const other = state.unit === 'mm' ? 'thou' : 'mm';
    const { now: read } = state;
    const measured = read ? [state.unit, other].map((each) => describeLength(read.value, each as 'thou' | 'mm')) : [];
    const pdf = await labelOf(titleOf(facts, row), { measured, at: now() });
    return reply
      .header('content-disposition', named(facts, `${row.name} label`, 'pdf'))
      .type('application/pdf')
      .send(pdf);
  });
  app.get('/api/jobs/:id/makings/:makingId/drawing.svg', { schema: { params } }, ({ params: { id, makingId } }, reply) => {
    const facts = factsOf(id);
    const row = making(facts, makingId);
    return reply
      .header('content-disposition', named(facts, row.name, 'svg'))
      .type('image/svg+xml; charset=utf-8')
      .send(drawn(() => svgOf(row.form, `${facts.job.machine}: ${row.name}`)));
  });
  app.get('/api/jobs/:id/makings/:makingId/drawing.dxf', { schema: { params } }, ({ params: { id, makingId } }, reply) => {
    const facts = factsOf(id);
    const row = making(facts, makingId);
    return reply
      .header('content-disposition', named(facts, row.name, 'dxf'))
      .type('application/dxf')
      .send(drawn(() => dxfOf([{ form: row.form, x: 0, y: 0 }])));
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
    ({ params: { id }, query }, reply) => {
      const facts = factsOf(id);
      const forms = query.parts.split(',').map((makingId) => making(facts, makingId).form);
      const sheet = { width: mm(query.width), height: mm(query.height) };
      const dxf = drawn(() => {
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
