import type { EventMessage } from '@elder-cog/contract';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

const HEARTBEAT_MS = 15_000;

/** Every open page is told what was written: which job, and where it stands. What it was, the page asks for. */
export function eventRoutes(app: App, workshop: Workshop): void {
  app.get('/api/events', (request, reply) => {
    reply.hijack();
    const { raw } = reply;
    raw.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
    raw.write('retry: 2000\n\n');
    const stop = workshop.listen((message: EventMessage) => void raw.write(`data: ${JSON.stringify(message)}\n\n`));
    // a line that is dead is found out, and one that is alive is kept
    const beat = setInterval(() => void raw.write('event: here\ndata: 1\n\n'), HEARTBEAT_MS);
    request.raw.on('close', () => {
      clearInterval(beat);
      stop();
    });
  });
}
