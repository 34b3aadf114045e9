import type { Schemas } from "../../api/client";
import type { Core, Moment as Told } from "../../core/core";
import type { EventWish } from "../../outbox/queue";

type RunView = Schemas["RunView"];
type Score = Schemas["RunBasis"];
type Happened = Pick<EventWish, "clientId" | "kind" | "verdict" | "tension" | "told" | "seconds"> & {
  heard?: Score["events"][number]["heard"] | undefined;
};

/** What the core tells of where a run stands; which section that is and who answered, the page knows. */
type Moment = Omit<RunView, "last" | "passage" | "section" | "sectionId" | "passageId">;

/** What the core takes for the same is the same text: who has answered says nothing to it. */
const textOf = ({ kind, verdict, tension, told, seconds, heard }: Omit<Happened, "clientId">) =>
  JSON.stringify({ kind, verdict, tension, told, seconds, heard });

/** What most passes are answered by. */
const USUAL = (["CLEAN", "ROUGH", "BROKE"] as const).map((verdict) =>
  textOf({ kind: "JUDGED", verdict, tension: null, told: null, seconds: null }),
);

/**
 * A run that the page goes on with by itself: what comes next is decided by the same core as on the server, so that nobody
 * waits for an answer to arrive. The server decides it again, and it is right where the two do not agree.
 */
export class LocalRun {
  private readonly events: (Happened & { left?: Score["left"] })[];
  private first!: Moment;

  /** What a microphone is to hear of the step it stands at. */
  toHear = "";

  private constructor(
    private readonly core: Core,
    private readonly score: Score,
  ) {
    this.events = [...score.events];
  }

  /** Takes a run up; nothing where the page's core follows other rules than the server's. */
  static async of(core: Core, score: Score): Promise<LocalRun | undefined> {
    if ((await core.edition()) !== score.edition) return undefined;
    const run = new LocalRun(core, score);
    run.first = (await run.begin())!;
    return run;
  }

  /** What is shown of it before anything else happens; of whose it is, {@code view} tells. */
  opening(view: RunView): RunView {
    return this.shown(this.first, view);
  }

  private async begin() {
    const ownEvents = this.events.length > this.score.events.length;
    const left = ownEvents ? null : this.score.left;
    return this.heard(await this.core.begin(JSON.stringify({ ...this.score, left, events: this.events })));
  }

  /** Where it stands now; nothing where that was refused. */
  private heard({ moment, toHear }: Told): Moment | undefined {
    const told = JSON.parse(moment) as Moment | { refused: string };
    if ("refused" in told) return undefined;
    this.toHear = toHear;
    if (told.step.pass?.ask === "VERDICT") this.core.suppose(USUAL);
    return told;
  }

  /** How many events it has seen. */
  get ordinal() {
    return this.events.length;
  }

  /** What is shown after one more event, or after one was put right; nothing where it does not fit. */
  async after(event: Happened, view: RunView): Promise<RunView | undefined> {
    const known = this.events.findIndex((other) => other.clientId === event.clientId);
    const told = known < 0 ? await this.added(event) : await this.corrected(known, event.tension);
    return told && this.shown(told, view);
  }

  private async added(event: Happened) {
    const told = this.heard(await this.core.after(textOf(event)));
    if (!told) return undefined;
    // What was left of the day holds from the first event on that the page takes by itself.
    const first = this.events.length === this.score.events.length;
    this.events.push(first ? { ...event, left: this.score.left } : event);
    return told;
  }

  private async corrected(known: number, tension: number | null) {
    const event = { ...this.events[known]!, tension };
    this.events[known] = event;
    const isLast = known === this.events.length - 1 && known >= this.score.events.length;
    return isLast ? this.heard(await this.core.instead(textOf(event))) : this.begin();
  }

  private shown(moment: Moment, view: RunView): RunView {
    const place = this.score.sections[moment.theme]!;
    const { answered } = moment;
    const last = this.events.at(-1);
    return {
      ...view,
      ...moment,
      ordinal: this.events.length,
      passage: place.passage,
      section: place.section,
      sectionId: place.sectionId,
      passageId: place.passageId,
      last: last?.kind === "JUDGED" && answered ? { clientId: last.clientId, ...answered } : null,
    };
  }
}
