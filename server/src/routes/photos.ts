import { photoReply } from '@elder-cog/contract';
import { z } from 'zod';
import { WorkshopError } from '../errors.ts';
import { hasPhoto, keepPhoto, PHOTO_LIMIT, readPhoto } from '../exchange/photoFiles.ts';
import { photos } from '../store/photos.ts';
import type { App } from '../typedApp.ts';
import type { Workshop } from '../workshop.ts';

const BESIDE = 'That photo is over 12 MB, even made smaller. Take it again at a lower size. Nothing was kept.';

/** A photo's bytes in, before the command that says what it is of; and out again. */
export function photoRoutes(app: App, workshop: Workshop): void {
  app.register(async (scope) => {
    const inner = scope as unknown as App;
    inner.addContentTypeParser(/^image\//, { parseAs: 'buffer', bodyLimit: PHOTO_LIMIT }, (_request, body, done) => done(null, body));
    inner.post(
      '/api/photos',
      {
        bodyLimit: PHOTO_LIMIT,
        schema: { response: { 200: photoReply } },
        // before anything is read
        onRequest: (request, _reply, done) =>
          done(Number(request.headers['content-length'] ?? 0) > PHOTO_LIMIT ? new WorkshopError('photoTooBig', BESIDE) : undefined),
      },
      ({ body }) => {
        if (!Buffer.isBuffer(body) || body.length === 0) throw new WorkshopError('badPhoto', 'No photo came: choose a JPEG, PNG or WebP.');
        if (workshop.folder === null) throw new WorkshopError('badPhoto', 'This workshop is in memory only: it has nowhere to keep a photo.');
        workshop.stillThere();
        return keepPhoto(workshop.folder, body);
      },
    );
    await Promise.resolve();
  });
  app.get(
    '/api/photos/:sha256',
    { schema: { params: z.object({ sha256: z.string() }), querystring: z.object({ small: z.enum(['yes', 'no']).default('no') }) } },
    ({ params: { sha256 }, query }, reply) => {
      const found = !hasPhoto(workshop.folder, sha256) || workshop.folder === null ? null : readPhoto(workshop.folder, sha256, query.small === 'yes');
      if (!found) throw new WorkshopError('notFound', 'That photo is not in the data folder.');
      const mediaType = found.isSmall ? 'image/jpeg' : (photos.mediaType(workshop.db, sha256) ?? 'application/octet-stream');
      // named for what it holds: it can never be another
      return reply.header('cache-control', 'private, max-age=31536000, immutable').type(mediaType).send(Buffer.from(found.bytes));
    },
  );
}
