import { api, given } from "../../api/client";
import { useChange, useSessions } from "../../api/queries";
import { Button } from "../../ui/Button";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { locale, say } from "../../words/say";

const when = (instant: string) =>
  new Date(instant).toLocaleString(locale(), { day: "numeric", month: "short", hour: "numeric", minute: "2-digit" });

/** The browsers that are signed in; any of them can be signed out from here. */
export function Browsers() {
  const sessions = useSessions();
  const end = useChange(
    (handle: string) => given(api.DELETE("/api/sessions/{handle}", { params: { path: { handle } } })),
    touches.browsers,
  );
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">{say("settings.signedIn")}</h2>
      <Failure of={sessions} />
      <ul className="divide-y divide-rule border-y border-rule">
        {sessions.data?.map((one) => (
          <li key={one.handle} className="flex min-h-14 flex-wrap items-center justify-between gap-x-4 py-1.5">
            <span>
              {one.browser}
              <span className="block text-sm text-soft">
                {say("settings.since", {
                  since: when(one.since),
                  hereIs: one.here ? "yes" : "no",
                  lastSeen: when(one.lastSeen),
                })}
              </span>
            </span>
            {!one.here && (
              <Button online onClick={() => end.mutate(one.handle)} disabled={end.isPending}>
                {say("settings.signItOut")}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-soft">{say("settings.aBrowserThatIsNot")}</p>
    </section>
  );
}
