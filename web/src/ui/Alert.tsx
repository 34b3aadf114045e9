import type { ReactNode } from "react";
import { sentence } from "../api/queries";

/** What went wrong, said where it did: read out at once, and in the colour of danger. */
export function Alert({ children, className = "" }: { children: ReactNode; className?: string }) {
  return (
    <p role="alert" className={`text-danger ${className}`}>
      {children}
    </p>
  );
}

/** Why something that was asked of the server did not happen; nothing while it did. */
export function Failure({
  of,
  className,
}: {
  of: { isError: boolean; error: unknown };
  className?: string | undefined;
}) {
  return of.isError ? <Alert {...(className ? { className } : {})}>{sentence(of.error)}</Alert> : null;
}
