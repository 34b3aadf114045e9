import type { Reason } from "../words/say";

/** A reason as the server gives it. */
export const reason = (code: string, values: Record<string, unknown> = {}) => ({ code, values }) as Reason;

export const NOTHING = reason("");
