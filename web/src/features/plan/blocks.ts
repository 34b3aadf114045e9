import type { Schemas } from "../../api/client";

export type Wish = Schemas["PlanWish"];
export type Block = Schemas["BlockWish"];

const MOST_SECTIONS = 6;

/** Nothing set of a block: its method has its own way. */
export const AS_ITS_METHOD: NonNullable<Schemas["SettingWish"]> = {
  of: null,
  tempo: null,
  times: null,
  upSeconds: null,
  fastSeconds: null,
  easySeconds: null,
  manner: null,
  ways: null,
};

/** Changes of a list of blocks; each gives a new one, or the same where there is nothing to change. */
export function moved(blocks: Block[], at: number, by: 1 | -1): Block[] {
  const to = at + by;
  if (to < 0 || to >= blocks.length) return blocks;
  const next = [...blocks];
  [next[at], next[to]] = [next[to]!, next[at]!];
  return next;
}

export const without = (blocks: Block[], at: number): Block[] => blocks.filter((_, i) => i !== at);

/** What is changed becomes the player's own. */
export const changed = (blocks: Block[], at: number, part: Partial<Block>): Block[] =>
  blocks.map((block, i) => (i === at ? { ...block, ...part, own: true } : block));

/** What the player put in or changed: it stays when the rest is composed anew. */
export const own = (blocks: Block[]): Block[] => blocks.filter((block) => block.own);

/** Nothing but what the player put in, after the warm-up of what is shown. */
export function onlyOwn(blocks: Block[], shown: Block[]): Block[] {
  const isWarmUp = ({ part }: Block) => part === "WARM_UP";
  const warmUp = blocks.find(isWarmUp) ?? shown.find(isWarmUp);
  return [...(warmUp ? [warmUp] : []), ...own(blocks).filter((block) => block !== warmUp)];
}

/** With one more block: groundwork before the main work, anything else at its end, before the cool-down. */
export function added(blocks: Block[], block: Block): Block[] {
  const main = blocks.findIndex(({ part }) => part === "MEASURE" || part === "CORE");
  const close = blocks.at(-1)?.part === "CLOSER" ? blocks.length - 1 : blocks.length;
  const place = block.part === "PREPARE" && main >= 0 ? main : close;
  return [...blocks.slice(0, place), block, ...blocks.slice(place)];
}

/** More and more notes to a bow, each an articulation with a ceiling of its own, at one tempo. */
export function bowLadder(school: Block["school"], named: (notes: number) => string): Block[] {
  return NOTES_TO_A_BOW.map((notes) => ({
    part: "PREPARE",
    theme: 0,
    variation: `mode.${named(notes)}`,
    seconds: BOW_SECONDS,
    school,
    own: true,
    setting: { ...AS_ITS_METHOD, of: "CEILING", tempo: BOW_TEMPO, times: 2 },
  }));
}

const NOTES_TO_A_BOW = [1, 2, 4, 8, 16];
const BOW_SECONDS = 100;

/** In percent of the ceiling: the arm is what is practised, not the fingers. */
const BOW_TEMPO = 60;

/** A block put in the place of another, which makes room for it. */
export function movedTo(blocks: Block[], from: number, to: number): Block[] {
  const block = blocks[from];
  if (!block || to === from || to < 0 || to >= blocks.length) return blocks;
  const next = without(blocks, from);
  next.splice(to, 0, block);
  return next;
}

/** Some notes of one section, and its articulations, mean nothing in another. */
const isOfItsSection = (block: Block) => block.variation.startsWith("notes.") || block.variation.startsWith("mode.");

/** A workout as it was kept, for the sections at hand: without the blocks of sections that there are not. */
export function fitted(kept: Wish, { sectionId, others }: Wish): Wish {
  const sections = [sectionId, ...others];
  const before = [kept.sectionId, ...kept.others];
  const blocks = kept.blocks.filter(
    (block) =>
      block.theme < sections.length && (!isOfItsSection(block) || sections[block.theme] === before[block.theme]),
  );
  return { ...kept, sectionId, others, blocks };
}

/** A wish about one section more, composed anew around what is the player's own. */
export function withSection(wish: Wish, sectionId: number): Wish {
  const others = wish.others;
  if (sectionId === wish.sectionId || others.includes(sectionId) || others.length + 1 >= MOST_SECTIONS) return wish;
  return { ...wish, others: [...others, sectionId], blocks: own(wish.blocks) };
}

/** A wish about one section less, composed anew around what is the player's own; one always stays. */
export function withoutSection(wish: Wish, sectionId: number): Wish {
  const before = [wish.sectionId, ...wish.others];
  const left = before.filter((id) => id !== sectionId);
  const [first, ...others] = left;
  if (first === undefined) return wish;
  const blocks = own(wish.blocks)
    .filter((block) => before[block.theme] !== sectionId)
    .map((block) => ({ ...block, theme: Math.max(0, left.indexOf(before[block.theme]!)) }));
  return { ...wish, sectionId: first, others, blocks };
}

/** What was wished before and after, for taking steps back and forth. */
export interface History {
  past: Wish[];
  now: Wish;
  future: Wish[];
}

const MOST_STEPS = 100;

export const begun = (now: Wish): History => ({ past: [], now, future: [] });

export const stepped = ({ past, now }: History, next: Wish): History =>
  next === now ? { past, now, future: [] } : { past: [...past, now].slice(-MOST_STEPS), now: next, future: [] };

export function undone(history: History): History {
  const before = history.past.at(-1);
  return before === undefined
    ? history
    : { past: history.past.slice(0, -1), now: before, future: [history.now, ...history.future] };
}

export function redone(history: History): History {
  const [next, ...future] = history.future;
  return next === undefined ? history : { past: [...history.past, history.now], now: next, future };
}
