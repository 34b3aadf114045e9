import { CircleUserRound } from "lucide-react";
import { Link, NavLink } from "react-router";
import { SymptomButton } from "../features/symptom/SymptomButton";
import { say } from "../words/say";

const PLACES = [
  ["/", say("common.today")],
  ["/passages", say("common.passages")],
  ["/ceiling", say("common.ceiling")],
  ["/season", say("common.season")],
  ["/load", say("common.load")],
  ["/log", say("common.log")],
] as const;

export function Mark() {
  return (
    <svg viewBox="0 0 32 32" width="26" height="26" aria-hidden="true">
      <path d="M2 27V20l6-2 5 9z" className="fill-spruce" />
      <path d="M13 27V5l2.5 3.5L18 5v22z" className="fill-burst" />
      <path d="M18 27l6-9 6 2v7z" className="fill-spruce" />
    </svg>
  );
}

/** The places of the application, and whose it is. */
export function Nav({ name }: { name: string }) {
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:bg-white focus:p-3 print:hidden">
        {say("common.skipToThePage")}
      </a>
      <div className="border-b border-rule print:hidden">
        <nav
          aria-label={say("common.places")}
          className="mx-auto flex max-w-[1300px] items-stretch justify-between gap-x-1 px-2 text-[0.75rem] short:max-sm:flex-wrap sm:justify-start sm:gap-x-7 sm:px-9 sm:text-base"
        >
          <Link to="/" className="flex min-h-12 min-w-11 items-center gap-2 pr-2 text-lg font-bold">
            <Mark /> <span className="max-md:sr-only">{say("common.tachylim")}</span>
          </Link>
          {/* On a phone the places lie where a thumb is. */}
          <span className="max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-20 max-sm:grid max-sm:grid-cols-6 max-sm:border-t max-sm:border-rule max-sm:bg-ground max-sm:pb-[env(safe-area-inset-bottom)] short:max-sm:static sm:contents">
            {PLACES.map(([to, label]) => (
              <NavLink
                key={to}
                to={to}
                end={to === "/"}
                className={({ isActive }) =>
                  `flex min-h-12 items-center border-b-[3px] pt-1 max-sm:min-w-0 max-sm:justify-center max-sm:border-t-[3px] max-sm:border-b-0 max-sm:pt-0 max-sm:text-center max-sm:leading-tight max-sm:hyphens-auto max-sm:break-words ${isActive ? "border-spruce font-semibold text-ink" : "border-transparent text-soft hover:text-ink"}`
                }
              >
                <span className="max-sm:max-w-full">{label}</span>
              </NavLink>
            ))}
          </span>
          <span className="ml-auto flex items-center">
            <SymptomButton />
          </span>
          <NavLink
            to="/settings"
            className="flex min-h-12 min-w-11 max-w-48 items-center justify-center truncate text-soft hover:text-ink"
          >
            <CircleUserRound size={22} aria-hidden="true" className="shrink-0 sm:hidden" />
            <span className="sr-only">{say("common.settingsOf")} </span>
            <span className="truncate max-sm:sr-only" dir="auto">
              {name}
            </span>
          </NavLink>
        </nav>
      </div>
    </>
  );
}
