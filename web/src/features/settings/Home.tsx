import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange, zone } from "../../api/queries";
import { Button } from "../../ui/Button";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { locale, say } from "../../words/say";

type Me = Schemas["Me"];

const when = (instant: string) =>
  new Date(instant).toLocaleString(locale(), { weekday: "long", hour: "numeric", minute: "2-digit" });
/** A zone by its city: Lisbon, not Europe/Lisbon. */
const place = (name: string) => (name.split("/").at(-1) ?? name).replaceAll("_", " ");

export const useMove = () =>
  useChange((to: string) => given(api.PUT("/api/account/zone", { body: { zone: to } })), touches.home);

/** Where the player's day is counted, and another place if the browser is in one. */
export function Home({ me }: { me: Me }) {
  const move = useMove();
  const here = zone();
  const { home } = me;
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">{say("settings.yourDay")}</h2>
      <p className="mb-3 text-soft">
        {say("settings.itTurnsAtFourIn", { b: (words) => <b className="text-ink">{words}</b>, zone: place(home.zone) })}
      </p>
      {home.movingTo ? (
        <p>
          {say("settings.fromItIsCountedIn", {
            from: when(home.from!),
            b: (words) => <b>{words}</b>,
            movingTo: place(home.movingTo),
          })}
        </p>
      ) : (
        !sameClock(here, home.zone) && (
          <Button online onClick={() => move.mutate(here)} disabled={move.isPending}>
            {say("settings.countItInFromTomorrow", { place: place(here) })}
          </Button>
        )
      )}
      <Failure of={move} className="mt-2" />
    </section>
  );
}

const HALF_A_YEAR_MS = 182 * 86_400_000;

/** Whether two zones show the same time, in summer and in winter: then there is nothing to move. */
export function sameClock(one: string, other: string, now = Date.now()): boolean {
  const shows = (timeZone: string, at: number) => new Date(at).toLocaleString("en", { timeZone });
  try {
    return [now, now + HALF_A_YEAR_MS].every((at) => shows(one, at) === shows(other, at));
  } catch {
    return one === other;
  }
}

const ASKED = "tachylim.zone.asked";

/** Offers to count the day where the browser is, once for each place; nothing moves by itself. */
export function ZoneOffer({
  me,
  keep,
}: {
  me: Me;
  keep: { getItem(key: string): string | null; setItem(key: string, value: string): void };
}) {
  const move = useMove();
  const here = zone();
  const asked = keep.getItem(ASKED) === here || move.isSuccess;
  if (sameClock(here, me.home.zone) || me.home.movingTo || asked) return null;
  const leave = () => {
    keep.setItem(ASKED, here);
    move.reset();
  };
  return (
    <div role="status" className="border-b border-rule bg-spruce-pale print:hidden">
      <div className="mx-auto flex max-w-[1300px] flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2 sm:px-9">
        <p className="mr-auto">
          {say("settings.thisBrowserIsInYour", { place: place(here), zone: place(me.home.zone) })}
          {move.isError && <span className="text-danger"> {sentence(move.error)}</span>}
        </p>
        <Button online onClick={() => move.mutate(here)} disabled={move.isPending}>
          {say("settings.iLiveHereNow")}
        </Button>
        <Button kind="quiet" onClick={leave}>
          {say("settings.notNow")}
        </Button>
      </div>
    </div>
  );
}
