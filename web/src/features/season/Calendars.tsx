import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { day } from "../../ui/format";
import { Alert } from "../../ui/Alert";

/** The season in a calendar: as a file, or read from a private address that can be closed. */
export function Calendars({ season }: { season: Schemas["SeasonView"] }) {
  const open = useChange(() => given(api.POST("/api/season/feed")), touches.season);
  const close = useChange(() => given(api.DELETE("/api/season/feed")), touches.season);
  return (
    <section aria-label="In your calendar" className="grid content-start gap-2">
      <h2>In your calendar</h2>
      <p>
        <a href="/api/season/calendar.ics" download className="font-semibold text-spruce underline underline-offset-4">
          Download it as iCalendar
        </a>
      </p>
      {open.data && (
        <label>
          <span className="mb-1 block font-semibold">The address, shown this once</span>
          <input
            readOnly
            className={INPUT}
            value={new URL(open.data.address, location.origin).href}
            onFocus={(event) => event.target.select()}
          />
        </label>
      )}
      <p className="text-soft">
        {season.feedSince
          ? `A private address has been open since ${day(season.feedSince.slice(0, 10))}. Whoever has it reads the days.`
          : "A calendar can read the days from a private address. Whoever has it can read them; it can be closed at any time."}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button disabled={open.isPending} onClick={() => open.mutate(undefined)}>
          {season.feedSince ? "Give another, close this one" : "Open an address"}
        </Button>
        {season.feedSince && (
          <Button
            disabled={close.isPending}
            onClick={() => {
              open.reset();
              close.mutate(undefined);
            }}
          >
            Close it
          </Button>
        )}
      </div>
      {(open.isError || close.isError) && <Alert>{sentence(open.error ?? close.error)}</Alert>}
    </section>
  );
}
