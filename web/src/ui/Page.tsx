import { type ReactNode, useRef } from "react";
import { sentence } from "../api/queries";
import { Button, ButtonLink } from "./Button";
import { say } from "../words/say";
import { useArrival } from "./useArrival";

interface Props {
  title: string;
  above?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
}

/** A place in the application: what it is about at the top left, what to do at the top right. */
export function Page({ title, above, aside, children }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  useArrival(title, heading);
  return (
    <main id="main" className="mx-auto w-full max-w-[1300px] px-4 pt-5 pb-12 max-sm:pb-24 sm:px-9">
      <header className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
        <div className="min-w-0 flex-1 basis-72">
          {above && <p className="mb-0.5 text-soft">{above}</p>}
          <h1 dir="auto" ref={heading} tabIndex={-1} className="outline-none">
            {title}
          </h1>
        </div>
        {aside && <div className="flex flex-wrap items-center gap-3">{aside}</div>}
      </header>
      {children}
    </main>
  );
}

export function Waiting() {
  return (
    <p role="status" className="px-9 py-16 text-soft">
      {say("common.oneMoment")}
    </p>
  );
}

export function Failed({ error, again }: { error: unknown; again?: () => void }) {
  return (
    <div role="alert" className="mx-auto max-w-xl px-4 py-16">
      <p className="mb-4 text-lg">{sentence(error)}</p>
      {again && <Button onClick={again}>{say("common.tryAgain")}</Button>}
    </div>
  );
}

/** There is no such address. */
export function Nowhere() {
  const heading = useRef<HTMLHeadingElement>(null);
  useArrival(say("common.thereIsNoSuchPage"), heading);
  return (
    <main id="main" className="mx-auto max-w-xl px-4 py-16">
      <h1 className="mb-3 outline-none" ref={heading} tabIndex={-1}>
        {say("common.thereIsNoSuchPage")}
      </h1>
      <p className="mb-5 text-soft">{say("common.theAddressMayHaveBeen")}</p>
      <ButtonLink kind="main" to="/">
        {say("common.toToday")}
      </ButtonLink>
    </main>
  );
}

/** One caution, where something is decided. */
export function Caution({ children }: { children?: ReactNode }) {
  return (
    <p className="border-l-2 border-brass pl-3 text-sm text-soft">
      {children ?? say("common.stopAtPainNumbnessTingling")}
    </p>
  );
}
