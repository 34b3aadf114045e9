import { Outlet, useLocation, useParams } from "react-router";
import { ErrorBoundary } from "./ErrorBoundary";
import { Nowhere } from "./Page";

/** Numbers of what is kept: whatever else stands in an address leads nowhere. A run may be called by what it was packed as. */
const NUMBER = /^[1-9]\d{0,14}$/;
const RUN = /^(packed-)?[1-9]\d{0,14}$/;

/** Each place by itself: an address that cannot be is said, and a page that cannot be drawn leaves the others alone. */
export function Guarded() {
  const { pathname } = useLocation();
  // What no page answers to is for the last of them.
  const names = Object.entries(useParams()).flatMap(([name, value]) => (name === "*" ? [] : [value]));
  return (
    <ErrorBoundary key={pathname}>
      {names.every((name) => (pathname.startsWith("/run/") ? RUN : NUMBER).test(name ?? "")) ? <Outlet /> : <Nowhere />}
    </ErrorBoundary>
  );
}
