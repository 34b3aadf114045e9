import { Problem } from "../api/client";

/** How long to wait before the next try: longer each time, and as long as the server says where it does. */
export function waitBefore(attempt: number, error: unknown): number {
  if (error instanceof Problem && error.code === "too-soon")
    return Math.min(60_000, 1_000 * Number(error.more.seconds) + 100);
  return Math.min(20_000, 1_000 * 2 ** Math.min(attempt, 5));
}
