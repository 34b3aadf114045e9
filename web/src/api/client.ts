import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";
import { compare } from "../offline/build";
import { heard } from "../offline/connection";
import { locale, say } from "../words/say";

export type Schemas = components["schemas"];

export type ProblemCode = NonNullable<Schemas["Problem"]["code"]>;

/** What the server says when it refuses, in words for the player. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail);
  }

  get code() {
    return this.more.code as ProblemCode | undefined;
  }

  get field() {
    return this.more.field as string | undefined;
  }
}

/** No answer at all: the network or the server is away, or the server takes too long. */
export class NoConnection extends Error {
  constructor(what = say("common.noConnectionToTachylim")) {
    super(say("common.whatYouTypedIsStill", { what }));
  }
}

function cookie(name: string) {
  return document.cookie
    .split("; ")
    .find((part) => part.startsWith(`${name}=`))
    ?.slice(name.length + 1);
}

/** What every request says besides: who asks, and in which language refusals are wanted. */
const headers: Middleware = {
  onRequest({ request }) {
    request.headers.set("Accept-Language", locale());
    const token = cookie("XSRF-TOKEN");
    if (token) request.headers.set("X-XSRF-TOKEN", decodeURIComponent(token));
    return request;
  },
  onResponse({ response }) {
    heard(response);
    compare(response);
  },
};

/**
 * A request that is not answered within this is as good as lost. What is read in or put together takes longer, the more so on a
 * busy machine: files of music, the demo's ten weeks, whoever comes in by a password, plans, and what is made of them.
 */
const PATIENCE_MS = 10_000;
const LONG_PATIENCE_MS = 180_000;
const LONG = /\/api\/(scores|demo|account|session|imports|plans|readings)\b/;
const MADE = /\/api\/(passages|runs|takes\/recordings)$/;

const patience = ({ method, url }: Request) =>
  LONG.test(url) || (method === "POST" && MADE.test(url)) ? LONG_PATIENCE_MS : PATIENCE_MS;

const inTime = (request: Request) => fetch(request, { signal: AbortSignal.timeout(patience(request)) });

export const api = createClient<paths>({ baseUrl: globalThis.location?.origin ?? "", fetch: inTime });
api.use(headers);

/** The data of an answer, or a Problem or NoConnection thrown. */
export async function given<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer;
  try {
    answer = await call;
  } catch (error) {
    const late = error instanceof DOMException && error.name === "TimeoutError";
    throw late ? new NoConnection(say("common.tachylimTakesTooLongTo")) : new NoConnection();
  }
  if (!answer.response.ok) {
    if (answer.response.status >= 502 && answer.response.status <= 504) throw new NoConnection();
    const body = (answer.error ?? {}) as Record<string, unknown>;
    throw new Problem(
      answer.response.status,
      typeof body.detail === "string" ? body.detail : say("common.somethingWentWrongHereTry"),
      body,
    );
  }
  // A success that should carry something and does not is no answer: nothing may be crossed out for it.
  if (answer.data === undefined && answer.response.status !== 204) throw new NoConnection();
  return answer.data as T;
}
