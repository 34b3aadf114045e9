import type { ComponentProps, KeyboardEvent } from "react";

/**
 * A part of the page that is reached with the tabulator and takes keys as a whole, as an instrument does: notes that
 * are walked through, marks that are written over them. It says in its label which keys it takes.
 */
export function KeyGround({
  label,
  onKeyDown,
  ...rest
}: Omit<ComponentProps<"div">, "role" | "tabIndex" | "aria-label"> & {
  label: string;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  return <div role="group" tabIndex={0} aria-label={label} onKeyDown={onKeyDown} {...rest} />;
}
