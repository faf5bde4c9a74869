import { hostname, networkInterfaces } from 'node:os';
import cookie from '@fastify/cookie';
import rateLimit from '@fastify/rate-limit';
import { z } from 'zod';
import { doneReply } from '@elder-cog/contract';
import { WorkshopError } from './errors.ts';
import { endSession, hasPasscode, isPasscode, isSession, newSession, SESSION_SECONDS, setPasscode } from './session.ts';
import type { App } from './typedApp.ts';

const COOKIE = 'elder-cog';
const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);
/** Tries in a minute: from one address, and from all of them together. */
const TRIES = { each: 5, all: 20 } as const;

declare module 'fastify' {
  interface FastifyContextConfig {
    /** may be asked for without the passcode: said at the route itself, and of no other */
    isOpen?: boolean;
  }
}

/** The addresses other machines on the workshop's network reach this one by. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flat()
    .flatMap((each) => (each && !each.internal && each.family === 'IPv4' ? [each.address] : []));

/** What other machines may call this one by. */
const ownNames = (): string[] => {
  const name = hostname().toLowerCase();
  return [name, `${name}.local`];
};

const hostOf = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();

/** The host a page came from; nothing that is one where it cannot be read. */
const originHost = (origin: string): string => (URL.canParse(origin) ? new URL(origin).host : '');

interface Door {
  /** the data folder, where the passcode is kept; null for a workshop in memory */
  readonly folder: string | null;
  /** open to the workshop's network */
  readonly lan: boolean;
}

/**
 * Who may come in. Always: only under this machine's own names, and only from its own page. On the network: only with the passcode,
 * asked once a browser; tries are slowed. The machine itself needs none. Every route is closed that does not say of itself that it is open,
 * and it is the route that answers which is asked, however its address was written.
 */
export function door(app: App, { folder, lan }: Door): void {
  app.register(cookie);
  const answersTo = (host: string): boolean => {
    const name = hostOf(host);
    return name === 'localhost' || LOOPBACK.has(name) || (lan && [...ownAddresses(), ...ownNames()].includes(name));
  };
  app.addHook('onRequest', (request, _reply, done) => {
    const { host = '', origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const isWrite = request.method !== 'GET' && request.method !== 'HEAD';
    const fromElsewhere = (origin !== undefined && originHost(origin) !== host) || (isWrite && site === 'cross-site');
    if (host !== '' && !answersTo(host)) return done(new WorkshopError('elsewhere'));
    if (fromElsewhere) return done(new WorkshopError('elsewhere'));
    done();
  });
  // before anything sent is read
  app.addHook('preParsing', (request, _reply, payload, done) => {
    const isOpen = request.is404 || request.routeOptions.config.isOpen === true;
    const needsPasscode = lan && !isOpen && !LOOPBACK.has(request.ip);
    if (needsPasscode && (folder === null || !isSession(folder, request.cookies[COOKIE]))) return done(new WorkshopError('signIn'));
    done(null, payload);
  });
  app.register(async (scope) => {
    const signIn = scope as unknown as App;
    await signIn.register(rateLimit, { global: false, errorResponseBuilder: () => new WorkshopError('tooManyTries') });
    // twenty addresses with a few tries each are as many tries as one with a hundred
    const together = signIn.createRateLimit({ max: TRIES.all, timeWindow: '1 minute', keyGenerator: () => 'everyone' });
    signIn.post(
      '/api/sign-in',
      {
        config: { isOpen: true, rateLimit: { max: TRIES.each, timeWindow: '1 minute' } },
        schema: { body: z.object({ passcode: z.string().max(200) }), response: { 200: doneReply } },
      },
      async (request, reply) => {
        const tries = await together(request);
        if (!tries.isAllowed && tries.isExceeded) throw new WorkshopError('tooManyTries');
        const { body } = request;
        if (folder === null || !isPasscode(folder, body.passcode)) throw new WorkshopError('wrongPasscode');
        void reply.setCookie(COOKIE, newSession(folder), { httpOnly: true, sameSite: 'strict', path: '/', maxAge: SESSION_SECONDS });
        return { ok: true as const };
      },
    );
    signIn.post('/api/sign-out', { schema: { response: { 200: doneReply } } }, (request, reply) => {
      const session = request.cookies[COOKIE];
      if (folder !== null && session !== undefined) endSession(folder, session);
      void reply.clearCookie(COOKIE, { path: '/' });
      return { ok: true as const };
    });
    signIn.post(
      '/api/workshop/passcode',
      { schema: { body: z.object({ passcode: z.string().max(200) }), response: { 200: doneReply } } },
      ({ body, ip }) => {
        if (!LOOPBACK.has(ip)) throw new WorkshopError('elsewhere', 'The passcode is changed at the machine itself.');
        if (folder === null) throw new WorkshopError('badRequest', 'This workshop is in memory only: it has nowhere to keep a passcode.');
        setPasscode(folder, body.passcode);
        return { ok: true as const };
      },
    );
  });
}

export { hasPasscode, setPasscode };
