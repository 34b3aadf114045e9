import { type ButtonHTMLAttributes, type ReactNode } from "react";
import { Link } from "react-router";
import { useLastReached } from "../offline/connection";
import { say } from "../words/say";

const BASE =
  "inline-flex min-h-11 items-center justify-center gap-2 rounded-[5px] px-4 py-2 text-base font-semibold whitespace-nowrap transition-colors";

const KINDS = {
  main: "bg-spruce text-white hover:bg-spruce-deep disabled:bg-rule disabled:text-soft",
  plain: "border border-rule-strong bg-transparent text-ink hover:border-ink disabled:text-rule-strong",
  quiet: "text-spruce underline-offset-4 hover:underline px-2",
  danger: "border border-danger text-danger hover:bg-danger hover:text-white",
} as const;

interface Looks {
  kind?: keyof typeof KINDS;
  children: ReactNode;
}

interface Asks {
  /** Whether it asks something of the server: where that cannot be reached it says so, and waits. */
  online?: boolean;
}

export function Button({
  kind = "plain",
  className = "",
  online = false,
  disabled,
  children,
  ...rest
}: Looks & Asks & ButtonHTMLAttributes<HTMLButtonElement>) {
  const away = useLastReached() !== undefined && online;
  return (
    <button
      type="button"
      className={`${BASE} ${KINDS[kind]} ${className}`}
      disabled={disabled === true || away}
      {...rest}
    >
      {children}
      {away && <span className="text-sm font-normal">{say("offline.needsANetwork")}</span>}
    </button>
  );
}

export function ButtonLink({ kind = "plain", to, children }: Looks & { to: string }) {
  return (
    <Link to={to} className={`${BASE} ${KINDS[kind]}`}>
      {children}
    </Link>
  );
}

/** A key on the keyboard, as a hint beside what it does. */
export function KeyCap({ children }: { children: ReactNode }) {
  return (
    <kbd className="rounded-[3px] border border-current/50 px-1.5 py-px font-mono text-[0.75em] font-semibold">
      {children}
    </kbd>
  );
}

/** The same as a hint only: left out on phones, and where there is a finger instead of keys. */
export const KeyHint = ({ children }: { children: ReactNode }) => (
  <span className="max-sm:hidden short:hidden touch:hidden">
    <KeyCap>{children}</KeyCap>
  </span>
);
