import { command, commandReply } from '@elder-cog/contract';
import { WorkshopError } from '../errors.ts';
import { hasPhoto } from '../exchange/photoFiles.ts';
import type { App } from '../typedApp.ts';
import { applyRead } from '../store/apply.ts';
import type { Workshop } from '../workshop.ts';

/** The one way in: every change is a command. */
export function commandRoutes(app: App, workshop: Workshop): void {
  app.post('/api/commands', { schema: { body: command, response: { 200: commandReply } } }, ({ body }) => {
    if (body.change.kind === 'photo.add' && !hasPhoto(workshop.folder, body.change.photo.sha256)) throw new WorkshopError('photoGone');
    workshop.stillThere();
    const reply = applyRead(workshop.db, body);
    if (!reply.already) workshop.tell({ seq: reply.seq, jobId: reply.jobId, commandId: body.commandId });
    return reply;
  });
}
