import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { bell } from "../bell";
import type { Schemas } from "../api/client";
import type { KeptRun } from "./runs";
import type { Queued } from "./queue";

/** What is kept of one thing besides: whose it is, and after which others it came. */
interface Place {
  account: string;
  place: number;
}

/** A workout that was taken along, and what Today showed when it was. */
export interface Packed {
  id: string;
  shown: string;
  /** What it was planned from. */
  wish: string;
  workout: Schemas["PackedDto"];
}

/** What waits until it has arrived carries an id of its own, by which the server knows it again. */
export interface Waiting {
  id: string;
  madeAt: number;
}
export type WaitingCount = Waiting & Pick<Schemas["CountWish"], "seconds" | "clean"> & { changeId: number };

interface Things {
  answers: Queued;
  symptoms: Waiting;
  counts: WaitingCount;
  runs: KeptRun;
  packed: Packed;
}
type Name = keyof Things;
type Stored = DBSchema & {
  [N in Name]: { key: [string, string]; value: Things[N] & Place; indexes: { account: string } };
};

const NAMES: Name[] = ["answers", "symptoms", "counts", "runs", "packed"];

/** What was begun longer ago than this is not played on, in milliseconds. */
const LONGEST_MS = 15 * 24 * 60 * 60 * 1000;

let database: IDBPDatabase<Stored> | undefined;
let account = "";
let lastPlace = 0;
let failed = false;

const channel = "BroadcastChannel" in globalThis ? new BroadcastChannel("tachylim.outbox") : undefined;
/** Rings with everything that changes, in this window or another. */
const { ring: changed, hear } = bell();
export { hear as onChange };

/** Whether what is kept lasts only as long as this page, since the browser keeps nothing. */
export const lastsOnlyHere = () => failed;

function broken() {
  failed = true;
  changed();
}

/** Of what is removed: whether it is still what it was when that was decided. */
type Still<T> = (kept: T) => boolean;

/**
 * Things of one kind that are kept for whoever is signed in. They are at hand at once, and are written behind, each in a
 * transaction of its own; what other windows write is read in as it is told.
 */
export class Shelf<N extends Name> {
  private things = new Map<string, Things[N] & Place>();
  private edition = 0;

  constructor(readonly name: N) {}

  /** All of them, in the order in which they came. */
  all(): Things[N][] {
    return [...this.things.values()];
  }

  get(id: string): Things[N] | undefined {
    return this.things.get(id);
  }

  /** Keeps one; in the place of that with the same id, where there is one. */
  put(thing: Things[N]) {
    const kept = this.placed(thing);
    this.things.set(thing.id, kept);
    this.write((store) => void store.put(kept));
  }

  /** Changes one, or removes it, as long as it is still what it was when that was decided. */
  change(id: string, still: Still<Things[N]>, change?: (now: Things[N]) => Things[N]) {
    const kept = this.things.get(id);
    if (!kept || !still(kept)) return;
    if (change) this.things.set(id, this.placed(change(kept)));
    else this.things.delete(id);
    const key: [string, string] = [account, id];
    // Another window may have changed it since.
    this.write(async (store) => {
      const now = await store.get(key);
      if (!now || !still(now)) return;
      if (change) await store.put({ ...now, ...change(now) });
      else await store.delete(key);
    });
  }

  remove(id: string) {
    this.change(id, () => true);
  }

  private placed(thing: Things[N]): Things[N] & Place {
    const place = this.things.get(thing.id)?.place ?? (lastPlace = Math.max(lastPlace + 1, Date.now()));
    return { ...thing, account, place };
  }

  private write(does: (store: StoreOf<N>) => void | Promise<void>) {
    this.edition++;
    changed();
    if (!database) return;
    try {
      const transaction = database.transaction(this.name, "readwrite", { durability: "strict" });
      const done = does(transaction.store as unknown as StoreOf<N>);
      // What was written is handed on at once: the page may be closed the next moment.
      if (!done) transaction.commit();
      void Promise.all([done, transaction.done]).then(() => channel?.postMessage(this.name), broken);
    } catch {
      broken();
    }
  }

  /** Reads what is kept; anew, where something was put there meanwhile. */
  async read(): Promise<void> {
    if (!database) return;
    const edition = this.edition;
    const of = account;
    const index = database.transaction(this.name).store.index("account");
    const kept = (await index.getAll(IDBKeyRange.only(of))) as (Things[N] & Place)[];
    if (edition !== this.edition) return this.read();
    if (of !== account) return;
    kept.sort((one, other) => one.place - other.place);
    this.things = new Map(kept.map((thing) => [thing.id, thing]));
    lastPlace = Math.max(lastPlace, ...kept.map(({ place }) => place));
    changed();
  }

  /** Somebody else is here. */
  clear() {
    this.things.clear();
    this.edition++;
  }
}

interface StoreOf<N extends Name> {
  get(key: [string, string]): Promise<(Things[N] & Place) | undefined>;
  put(thing: Things[N] & Place): Promise<unknown>;
  delete(key: [string, string]): Promise<void>;
}

export const answers = new Shelf("answers");
export const symptoms = new Shelf("symptoms");
export const counts = new Shelf("counts");
export const runs = new Shelf("runs");
export const packed = new Shelf("packed");
const ALL = [answers, symptoms, counts, runs, packed];

const readAll = () => Promise.all(ALL.map((shelf) => shelf.read()));

channel?.addEventListener("message", ({ data }) => {
  ALL.find(({ name }) => name === data)
    ?.read()
    .catch(broken);
});

const open = () =>
  openDB<Stored>("tachylim-outbox", 1, {
    upgrade: (db) =>
      NAMES.forEach((name) =>
        db.createObjectStore(name, { keyPath: ["account", "id"] }).createIndex("account", "account"),
      ),
    // A newer page may need the room: what is kept is read again by it.
    blocking: () => database?.close(),
    terminated: broken,
  });

/** Everybody of whom answers wait in this browser. */
export async function whoseWait(): Promise<string[]> {
  database ??= await open();
  const waiting = (await database.getAll("answers")).filter(({ sent }) => !sent);
  return [...new Set(waiting.map((answer) => answer.account))];
}

/** Lays out what is kept for somebody, before anything is asked of it. */
export async function layOut(name: string) {
  if (account === name && database) return;
  ALL.forEach((shelf) => shelf.clear());
  account = name;
  try {
    database ??= await open();
    await readAll();
  } catch {
    broken();
  }
  const oldest = Date.now() - LONGEST_MS;
  const isOld = (kept: object) => (kept as Place).place < oldest;
  [runs, packed].forEach((shelf) => shelf.all().forEach(({ id }) => shelf.change(id, isOld)));
  answers.all().forEach(({ id }) => answers.change(id, (kept) => kept.sent === true && isOld(kept)));
}

/** Lets go of what is only kept to play on, whoever it was of: somebody signs out. What was not sent waits for them. */
export async function clearAway() {
  ALL.forEach((shelf) => shelf.clear());
  account = "";
  try {
    database ??= await open();
    const transaction = database.transaction(["answers", "runs", "packed"], "readwrite");
    await transaction.objectStore("runs").clear();
    await transaction.objectStore("packed").clear();
    const answered = transaction.objectStore("answers");
    for (const answer of await answered.getAll()) {
      if (answer.sent) await answered.delete([answer.account, answer.id]);
    }
    await transaction.done;
  } catch {
    // A browser that keeps nothing has nothing to clear.
  }
}
