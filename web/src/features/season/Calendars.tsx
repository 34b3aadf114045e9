import { language } from "../../words/language";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { day } from "../../ui/format";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

/** The season in a calendar: as a file, or read from a private address that can be closed. */
export function Calendars({ season }: { season: Schemas["SeasonView"] }) {
  const open = useChange(() => given(api.POST("/api/season/feed")), touches.season);
  const close = useChange(() => given(api.DELETE("/api/season/feed")), touches.season);
  return (
    <section aria-label={say("season.inYourCalendar")} className="grid content-start gap-2">
      <h2>{say("season.inYourCalendar")}</h2>
      <p>
        <a
          href={`/api/season/calendar.ics?lang=${language()}`}
          download
          className="font-semibold text-spruce underline underline-offset-4"
        >
          {say("season.downloadItAsIcalendar")}
        </a>
      </p>
      {open.data && (
        <label>
          <span className="mb-1 block font-semibold">{say("season.theAddressShownThisOnce")}</span>
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
          ? say("season.aPrivateAddressHasBeen", { day: day(season.feedSince.slice(0, 10)) })
          : say("season.aCalendarCanReadThe")}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button online disabled={open.isPending} onClick={() => open.mutate(undefined)}>
          {season.feedSince ? say("season.giveAnotherCloseThisOne") : say("season.openAnAddress")}
        </Button>
        {season.feedSince && (
          <Button
            online
            disabled={close.isPending}
            onClick={() => {
              open.reset();
              close.mutate(undefined);
            }}
          >
            {say("season.closeIt")}
          </Button>
        )}
      </div>
      {(open.isError || close.isError) && <Alert>{sentence(open.error ?? close.error)}</Alert>}
    </section>
  );
}
