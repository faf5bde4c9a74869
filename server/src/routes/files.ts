import { FILE_LIMIT_MB, importReply } from '@elder-cog/contract';
import { z } from 'zod';
import { fileName, jobFile, readingsCsv, workshopFile, zipped } from '../exchange/exportFiles.ts';
import { bringIn } from '../exchange/bringIn.ts';
import { jobs } from '../store/jobs.ts';
import type { App } from '../typedApp.ts';
import { WorkshopError } from '../errors.ts';
import type { Workshop } from '../workshop.ts';

const FILE_LIMIT = FILE_LIMIT_MB * 1024 * 1024;
const now = (): string => new Date().toISOString();
const sentAs = (name: string): string => `attachment; filename="${name}"`;

/** Files out and in: a job, the whole workshop, the readings for a spreadsheet. */
export function fileRoutes(app: App, workshop: Workshop): void {
  app.addContentTypeParser('application/octet-stream', { parseAs: 'buffer', bodyLimit: FILE_LIMIT }, (_request, body, done) => done(null, body));
  const machine = (id: string): { machine: string; year: string } => {
    const job = jobs.byId(workshop.db, id);
    if (!job || job.gone === true) throw new WorkshopError('notFound', 'That machine is not on the shelf.');
    return job;
  };
  const params = z.object({ id: z.uuid() });

  app.get(
    '/api/jobs/:id/file',
    { schema: { params, querystring: z.object({ bare: z.enum(['yes', 'no']).default('no') }) } },
    ({ params: { id }, query }, reply) => {
      const name = fileName(machine(id).machine, machine(id).year);
      const file = jobFile(workshop.db, id, now());
      if (query.bare === 'yes')
        return reply
          .header('content-disposition', sentAs(`${name}.json`))
          .type('application/json')
          .send(`${JSON.stringify(file, null, 1)}\n`);
      return reply
        .header('content-disposition', sentAs(`${name}.eldercog.zip`))
        .type('application/zip')
        .send(Buffer.from(zipped(file, workshop.folder)));
    },
  );
  app.get('/api/jobs/:id/readings.csv', { schema: { params } }, ({ params: { id } }, reply) => {
    const name = fileName(machine(id).machine, machine(id).year);
    return reply
      .header('content-disposition', sentAs(`${name}-readings.csv`))
      .type('text/csv; charset=utf-8')
      .send(`\uFEFF${readingsCsv(workshop.db, id)}`);
  });
  app.get('/api/workshop/file', (_request, reply) =>
    reply
      .header('content-disposition', sentAs(`workshop-${now().slice(0, 10)}.eldercog.zip`))
      .type('application/zip')
      .send(Buffer.from(zipped(workshopFile(workshop.db, now()), workshop.folder))),
  );
  app.post(
    '/api/files',
    {
      bodyLimit: FILE_LIMIT,
      schema: {
        querystring: z.object({ copy: z.enum(['yes', 'no']).default('no'), who: z.string().max(60).default('') }),
        response: { 200: importReply },
      },
    },
    async ({ body, query }) => {
      if (!Buffer.isBuffer(body)) throw new WorkshopError('badFile', 'No file came: choose a .eldercog.zip or a job.json.');
      const { jobs: brought, leaves } = await bringIn(workshop, body, { copy: query.copy === 'yes', who: query.who });
      return { jobs: brought.map(({ id, machine }) => ({ id, machine })), leaves };
    },
  );
}
