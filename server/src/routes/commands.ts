import { command, commandReply } from '@elder-cog/contract';
import type { App } from '../typedApp.ts';
import { apply } from '../store/apply.ts';
import type { Db } from '../store/open.ts';

/** The one way in: every change is a command. */
export function commandRoutes(app: App, db: Db): void {
  app.post('/api/commands', { schema: { body: command, response: { 200: commandReply } } }, ({ body }) => apply(db, body));
}
