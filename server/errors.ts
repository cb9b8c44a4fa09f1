import type { FastifyInstance } from 'fastify';
import { ZodError, z } from 'zod';
import type { ErrorAnswer } from '../core/exchange/index.ts';

/** Every error the server answers with: one table of code, status and message. */
export const ERRORS = {
  'foreign-host': { status: 403, message: 'This server only answers under its own name on this machine.' },
  'foreign-origin': { status: 403, message: 'This request came from another web page.' },
  'bad-input': { status: 400, message: 'The request is not what this address expects.' },
  'not-found': { status: 404, message: 'There is nothing at this address.' },
  'missing-bytes': { status: 409, message: 'Some files of this release have not arrived.' },
  'wrong-bytes': { status: 422, message: 'A file did not arrive as it was sent.' },
  'too-large': { status: 413, message: 'That is more than this server takes at once.' },
  'not-verified': { status: 409, message: 'Prove first that the site is yours.' },
  'foreign-map': { status: 422, message: 'The map lies on another host than the site.' },
  'own-domain': { status: 409, message: 'This engine takes only sites at a domain of their own, not at a free name.' },
  'foreign-address': { status: 422, message: 'This address lies on another host than the site.' },
  'queue-full': { status: 429, message: 'So many addresses wait for a visit already that no more are taken.' },
  'past-day': { status: 422, message: 'That day is over. Choose a day to come, or none.' },
  'alias-beside': { status: 409, message: 'An alias (CNAME) stands alone at its name, and never at the domain itself. Take away what stands there first.' },
  'fetch-refused': { status: 422, message: 'This address is not fetched from here.' },
  'too-slow': { status: 503, message: 'This took far too long and was given up: something there is made to be slow, or is very large.' },
  broken: { status: 500, message: 'Something broke in the server. Nothing you have is lost; try again.' },
} as const;

export type ErrorCode = keyof typeof ERRORS;

/** An expected failure of a request. */
export class RequestError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly detail?: string,
  ) {
    super(ERRORS[code].message);
  }
}

/** Reads input through a schema, or fails the request with `bad-input`. */
export function parseInput<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new RequestError('bad-input', z.prettifyError(parsed.error));
  return parsed.data;
}

/** Makes every failure leave the server in one shape. */
export function answerErrors(app: FastifyInstance): void {
  app.setErrorHandler((error: unknown, _request, reply) => {
    const code = codeOf(error);
    const detail = error instanceof RequestError ? error.detail : undefined;
    if (code === 'broken') app.log.error(error);
    const answer: ErrorAnswer = { error: { code, message: ERRORS[code].message, ...(detail === undefined ? {} : { detail }) } };
    return reply.status(ERRORS[code].status).send(answer);
  });
}

function codeOf(error: unknown): ErrorCode {
  if (error instanceof RequestError) return error.code;
  if (error instanceof ZodError) return 'bad-input';
  const status = (error as { statusCode?: unknown } | null)?.statusCode;
  if (status === 413) return 'too-large';
  if (typeof status === 'number' && status >= 400 && status < 500) return 'bad-input';
  return 'broken';
}
