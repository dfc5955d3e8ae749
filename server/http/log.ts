import { type DestinationStream, type Logger, pino } from 'pino';

/** A step of a path that says what is asked for; all else names somebody or something, or is a secret itself. */
const WORD = /^(?:[a-z][a-z.-]{0,30}|)$/;
/** So long without a gap it is a key, a token, a hash or a name of one. */
const SECRET = /[\w+/=-]{24,}(?:\.[\w+/=-]+)*/g;

const withoutSecrets = (text: unknown): string => String(text).replace(SECRET, '…').slice(0, 2000);

/** An address without what it names and asks: `/api/owner/…`. */
const pathOf = (url: unknown): string =>
  String(url)
    .split(/[?#]/, 1)
    .join()
    .split('/')
    .map((part) => (WORD.test(part) ? part : '…'))
    .join('/');

interface Called {
  readonly id?: unknown;
  readonly method?: unknown;
  readonly url?: unknown;
}
interface Failed {
  readonly name?: unknown;
  readonly message?: unknown;
  readonly stack?: unknown;
  readonly code?: unknown;
}

/** Frames of a stack, without the message that stands before them. */
const frames = (stack: unknown): string[] =>
  String(stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12);

/**
 * What is written of a call, its answer and an error: only what is named here. Headers, cookies, bodies, queries, what a
 * statement was given and whom a path names are never written.
 */
export const SERIALIZERS = {
  req: ({ id, method, url }: Called) => ({ id: String(id), method: String(method), path: pathOf(url) }),
  res: ({ statusCode }: { readonly statusCode?: unknown }) => ({ statusCode: Number(statusCode) }),
  err: ({ name, message, stack, code }: Failed) => ({
    type: withoutSecrets(name),
    message: withoutSecrets(message),
    stack: frames(stack),
    ...(code === undefined ? {} : { code: withoutSecrets(code) }),
  }),
};

/** The server's log. */
export const makeLog = (level: string, to?: DestinationStream): Logger =>
  to ? pino({ level, serializers: SERIALIZERS }, to) : pino({ level, serializers: SERIALIZERS });
