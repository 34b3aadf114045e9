import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { vi } from "vitest";

/** A request as the server would have got it. */
export interface Asked {
  method: string;
  path: string;
  query: URLSearchParams;
  body: unknown;
}

interface Answer {
  status?: number;
  body?: unknown;
}

/**
 * A server that answers as it is told, by method and path, and remembers what it was asked. What it was not told is
 * answered with a failure, so that no test rests on an answer nobody gave.
 */
export function pretendServer(answers: Record<string, (asked: Asked) => Answer>) {
  const asked: Asked[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const url = new URL(request.url);
    const text = request.method === "GET" ? "" : await request.clone().text();
    const one: Asked = {
      method: request.method,
      path: url.pathname,
      query: url.searchParams,
      body: text.startsWith("{") ? (JSON.parse(text) as unknown) : text,
    };
    asked.push(one);
    const answer = answers[`${one.method} ${one.path}`];
    const { status = 200, body } = answer
      ? answer(one)
      : { status: 500, body: { detail: `Nobody answers ${one.path}.` } };
    return new Response(body === undefined ? null : JSON.stringify(body), {
      status: body === undefined && status === 200 ? 204 : status,
      headers: { "Content-Type": status >= 400 ? "application/problem+json" : "application/json" },
    });
  });
  return { asked, of: (path: string) => asked.filter((one) => one.path === path) };
}

/** A page with the providers it needs; no question is asked twice. */
export function show(page: ReactNode, path = "/") {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: "always" } } });
  const Providers = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[path]}>{children}</MemoryRouter>
    </QueryClientProvider>
  );
  return { client, ...render(page, { wrapper: Providers }) };
}
