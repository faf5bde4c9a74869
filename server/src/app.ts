import { SHAPES, SHAPES_HEADER } from '@elder-cog/contract';
import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import fastify from 'fastify';
import { hasZodFastifySchemaValidationErrors, serializerCompiler, validatorCompiler, type ZodTypeProvider } from 'fastify-type-provider-zod';
import { door } from './door.ts';
import { diskTrouble, WorkshopError } from './errors.ts';
import { readPage } from './page.ts';
import { bareOf } from './store/open.ts';
import { commandRoutes } from './routes/commands.ts';
import { drawingRoutes } from './routes/drawings.ts';
import { eventRoutes } from './routes/events.ts';
import { fileRoutes } from './routes/files.ts';
import { journalRoutes } from './routes/journal.ts';
import { photoRoutes } from './routes/photos.ts';
import { readRoutes } from './routes/reading.ts';
import { workshopRoutes } from './routes/workshop.ts';
import type { App } from './typedApp.ts';
import type { Workshop } from './workshop.ts';

const BODY_LIMIT = 2 * 1024 * 1024;

/** How long a body may stop on the way before it is cut off, and how long it may take in all. */
const STALLED_MS = 20_000;
const LONGEST_MS = 10 * 60_000;

interface Options {
  readonly workshop: Workshop;
  /** the folder of the built page */
  readonly page?: string;
  /** open to the workshop's network */
  readonly lan?: boolean;
  readonly stalledMs?: number;
}

/** The workshop's server: its routes over one workshop's data, and the built page where there is one. */
export function createApp({ workshop, page, lan = false, stalledMs = STALLED_MS }: Options): App {
  // stopping does not wait for a tablet that holds its line open: a write is whole or not at all, and is sent again under its own id
  const app = fastify({
    bodyLimit: BODY_LIMIT,
    logger: false,
    forceCloseConnections: true,
    requestTimeout: LONGEST_MS,
  }).withTypeProvider<ZodTypeProvider>();
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        scriptSrc: ["'self'"],
        connectSrc: ["'self'"],
        upgradeInsecureRequests: null,
      },
    },
    hsts: false,
  });
  app.setErrorHandler((error, _request, reply) => {
    if (hasZodFastifySchemaValidationErrors(error)) {
      const [first] = error.validation;
      return reply.status(400).send({
        error: { code: 'badRequest', message: `That could not be read: ${first?.message ?? 'check the entry'}`, field: first?.instancePath ?? '' },
      });
    }
    if (error instanceof WorkshopError)
      return reply.status(error.status).send({ error: { code: error.code, message: error.message, ...error.more } });
    const status = (error as { statusCode?: number }).statusCode ?? 500;
    const known = diskTrouble(error) ?? new WorkshopError(status === 413 ? 'tooBig' : status < 500 ? 'badRequest' : 'broken');
    if (status >= 500) console.error(error);
    return reply.status(known.code === 'badRequest' ? status : known.status).send({ error: { code: known.code, message: known.message } });
  });
  app.addHook('onRequest', (request, reply, done) => {
    reply.header(SHAPES_HEADER, SHAPES);
    // going back a page, a browser takes what it has kept, however old; a photo, which never changes, says otherwise of itself
    if (request.routeOptions.url?.startsWith('/api/')) reply.header('cache-control', 'no-store');
    done();
  });
  cutStalled(app, stalledMs);
  door(app, { folder: workshop.folder, lan });
  readRoutes(app, workshop);
  commandRoutes(app, workshop);
  journalRoutes(app, workshop);
  eventRoutes(app, workshop);
  drawingRoutes(app, workshop);
  fileRoutes(app, workshop);
  photoRoutes(app, workshop);
  workshopRoutes(app, workshop, lan);
  const pageAt = page === undefined ? null : readPage(page);
  if (page !== undefined && pageAt)
    app.register(async (scope) => {
      // the page itself, and nothing of any job
      scope.addHook('onRoute', (route) => void (route.config = { ...route.config, isOpen: true }));
      await scope.register(fastifyStatic, {
        root: page,
        wildcard: false,
        index: false,
        preCompressed: true,
        decorateReply: false,
        cacheControl: false,
        // what is named for its content never changes; the page that names it may
        setHeaders: (response, path) =>
          response.setHeader('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
      });
    });
  app.setNotFoundHandler((request, reply) => {
    const [path = ''] = request.url.split('?');
    if (pageAt && request.method === 'GET' && !path.startsWith('/api/') && !/\.\w+$/.test(path))
      return reply
        .header('cache-control', 'no-cache')
        .type('text/html; charset=utf-8')
        .send(pageAt(path, workshop.trouble === null ? bareOf(workshop.db) : 'thou'));
    const missing = new WorkshopError('notFound');
    return reply.status(404).send({ error: { code: missing.code, message: missing.message } });
  });
  return app;
}

/** A body that stops on the way is cut off: a line that is held open by half a request is held from somebody else. */
function cutStalled(app: App, stalledMs: number): void {
  app.addHook('onRequest', (request, _reply, done) => {
    const hasBody = Number(request.headers['content-length'] ?? 0) > 0 || request.headers['transfer-encoding'] !== undefined;
    const { socket } = request.raw;
    // a request that a test hands in by itself has no line
    if (hasBody && !request.raw.complete && 'setTimeout' in socket) {
      const cut = (): void => void socket.destroy();
      const whole = (): void => {
        socket.setTimeout(0);
        socket.removeListener('timeout', cut);
      };
      socket.setTimeout(stalledMs);
      socket.once('timeout', cut);
      request.raw.once('end', whole);
      request.raw.once('close', whole);
    }
    done();
  });
}
