import type { Schemas } from "../../api/client";
import type { EventWish } from "../../outbox/queue";

type RunView = Schemas["RunView"];
type Score = Schemas["RunBasis"];
type Happened = Pick<EventWish, "clientId" | "kind" | "verdict" | "tension" | "told" | "seconds"> & {
  heard?: Score["events"][number]["heard"] | undefined;
};

/** What the core tells of where a run stands; which section that is and who answered, the page knows. */
type Moment = Omit<RunView, "last" | "passage" | "section" | "sectionId" | "passageId">;

/** The core that the page carries. */
export interface Core {
  edition(): number;
  begin(score: string): string;
  after(event: string): string;
  toHear(): string;
}

/**
 * A run that the page goes on with by itself: what comes next is decided by the same core as on the server, so that nobody
 * waits for an answer to arrive. The server decides it again, and it is right where the two do not agree.
 */
export class LocalRun {
  private readonly events: (Happened & { left?: Score["left"] })[];

  private constructor(
    private readonly core: Core,
    private readonly score: Score,
  ) {
    this.events = [...score.events];
  }

  /** Takes a run up; nothing where the page's core follows other rules than the server's. */
  static of(core: Core, score: Score): LocalRun | undefined {
    if (core.edition() !== score.edition) return undefined;
    const run = new LocalRun(core, score);
    run.first = run.begin();
    return run;
  }

  private first!: Moment;

  /** What is shown of it before anything else happens; of whose it is, {@code view} tells. */
  opening(view: RunView): RunView {
    return this.shown(this.first, view);
  }

  private begin(): Moment {
    const ownEvents = this.events.length > this.score.events.length;
    const left = ownEvents ? null : this.score.left;
    return JSON.parse(this.core.begin(JSON.stringify({ ...this.score, left, events: this.events }))) as Moment;
  }

  /** What a microphone is to hear of the step it stands at. */
  toHear() {
    return this.core.toHear();
  }

  /** How many events it has seen. */
  get ordinal() {
    return this.events.length;
  }

  /** What is shown after one more event, or after the last was put right; nothing where it does not fit. */
  after(event: Happened, view: RunView): RunView | undefined {
    const known = this.events.findIndex((other) => other.clientId === event.clientId);
    if (known >= 0) {
      const before = this.events[known]!;
      this.events[known] = { ...before, tension: event.tension };
      return this.shown(this.begin(), view);
    }
    const told = JSON.parse(this.core.after(JSON.stringify(event))) as Moment | { refused: string };
    if ("refused" in told) return undefined;
    // What was left of the day holds from the first event on that the page takes by itself.
    const first = this.events.length === this.score.events.length;
    this.events.push(first ? { ...event, left: this.score.left } : event);
    return this.shown(told, view);
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
