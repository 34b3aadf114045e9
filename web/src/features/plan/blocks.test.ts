import { describe, expect, it } from "vitest";
import {
  added,
  begun,
  bowLadder,
  type Block,
  changed,
  fitted,
  moved,
  movedTo,
  onlyOwn,
  own,
  redone,
  stepped,
  undone,
  type Wish,
  without,
  withoutSection,
  withSection,
} from "./blocks";

const block = (part: Block["part"], seconds = 300): Block => ({
  part,
  theme: 0,
  variation: "",
  seconds,
  school: "INTERVAL_BURSTS",
  own: null,
  setting: null,
});
const BLOCKS = [block("WARM_UP"), block("CORE"), block("CLOSER")];
const parts = (blocks: Block[]) => blocks.map(({ part }) => part);
const WISH = { sectionId: 7, minutes: 30, others: [], blocks: BLOCKS } as unknown as Wish;

describe("the blocks of a plan", () => {
  it("change places, and stay where there is no other", () => {
    expect(parts(moved(BLOCKS, 1, -1))).toEqual(["CORE", "WARM_UP", "CLOSER"]);
    expect(moved(BLOCKS, 0, -1)).toBe(BLOCKS);
    expect(moved(BLOCKS, 2, 1)).toBe(BLOCKS);
  });

  it("are taken out, changed, and put in before the close", () => {
    expect(parts(without(BLOCKS, 1))).toEqual(["WARM_UP", "CLOSER"]);
    expect(changed(BLOCKS, 1, { seconds: 60 })[1]).toMatchObject({ part: "CORE", seconds: 60 });
    expect(parts(added(BLOCKS, block("STUDY")))).toEqual(["WARM_UP", "CORE", "STUDY", "CLOSER"]);
    expect(parts(added([], block("STUDY")))).toEqual(["STUDY"]);
  });

  it("are composed anew when the sections change", () => {
    expect(withSection(WISH, 9)).toMatchObject({ sectionId: 7, others: [9], blocks: [] });
    expect(withSection(WISH, 7)).toBe(WISH);
    const full = { ...WISH, others: [1, 2, 3, 4, 5] };
    expect(withSection(full, 9)).toBe(full);
    expect(withoutSection(withSection(WISH, 9), 7)).toMatchObject({ sectionId: 9, others: [] });
    expect(withoutSection(WISH, 7)).toBe(WISH);
  });

  it("stay the player's own when the rest is composed anew", () => {
    const blocks = added(BLOCKS, { ...block("PREPARE"), own: true });
    expect(parts(blocks)).toEqual(["WARM_UP", "PREPARE", "CORE", "CLOSER"]);
    expect(parts(own(blocks))).toEqual(["PREPARE"]);
    expect(parts(onlyOwn(blocks, blocks))).toEqual(["WARM_UP", "PREPARE"]);
    // What was put together is kept though the blocks of before are shown still.
    expect(parts(onlyOwn(own(blocks), BLOCKS))).toEqual(["WARM_UP", "PREPARE"]);
    expect(parts(own(changed(BLOCKS, 1, { seconds: 60 })))).toEqual(["CORE"]);
    const two = { ...WISH, others: [9], blocks: blocks.map((one) => ({ ...one, theme: 1 })) };
    expect(withSection(two, 11).blocks).toEqual(own(two.blocks));
    expect(withoutSection(two, 7).blocks).toEqual([{ ...two.blocks[1], theme: 0 }]);
    expect(withoutSection(two, 9).blocks).toEqual([]);
  });

  it("take the place of another", () => {
    expect(parts(movedTo(BLOCKS, 2, 0))).toEqual(["CLOSER", "WARM_UP", "CORE"]);
    expect(parts(movedTo(BLOCKS, 0, 2))).toEqual(["CORE", "CLOSER", "WARM_UP"]);
    expect(movedTo(BLOCKS, 1, 1)).toBe(BLOCKS);
    expect(movedTo(BLOCKS, 1, 3)).toBe(BLOCKS);
  });

  it("are kept for whatever sections, as far as these have them", () => {
    const own = [block("CORE"), { ...block("CORE"), theme: 1 }, { ...block("PREPARE"), variation: "notes.2-5" }];
    const kept = { ...WISH, others: [8], blocks: own };
    expect(fitted(kept, { ...WISH, sectionId: 9 })).toMatchObject({ sectionId: 9, others: [], blocks: [own[0]] });
    expect(fitted(kept, { ...WISH, others: [3] }).blocks).toEqual(own);
  });

  it("go back and forth", () => {
    const other = { ...WISH, minutes: 40 };
    const two = stepped(begun(WISH), other);
    expect(undone(two).now).toBe(WISH);
    expect(redone(undone(two)).now).toBe(other);
    expect(undone(begun(WISH)).now).toBe(WISH);
    expect(redone(two)).toBe(two);
    expect(stepped(undone(two), { ...WISH, minutes: 20 }).future).toEqual([]);
  });

  it("a bow takes more and more notes, at one tempo", () => {
    const ladder = bowLadder("STEADY_CLIMB", (notes) => `${notes} to a bow`);
    expect(ladder.map(({ variation }) => variation)).toEqual([1, 2, 4, 8, 16].map((notes) => `mode.${notes} to a bow`));
    expect(new Set(ladder.map(({ setting }) => setting?.tempo)).size).toBe(1);
    expect(ladder.every((block) => block.own)).toBe(true);
  });
});
