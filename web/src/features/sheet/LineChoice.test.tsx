// @vitest-environment jsdom
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { LineChoice } from "./LineChoice";

afterEach(cleanup);

const line = (part: string, voice = "") => ({ part, voice, notes: 12, firstBar: "1", lastBar: "8" });

describe("the lines of a file", () => {
  it("of a few stand in a list that folds", async () => {
    const chosen = vi.fn();
    render(<LineChoice lines={[line("Oboe"), line("Horn", "2")]} chosen={0} onChoose={chosen} />);
    const list = screen.getByLabelText("Part in the file");
    expect(within(list).getAllByRole("option")[1]!.textContent).toBe("Horn, voice 2 (12 notes)");
    await userEvent.selectOptions(list, "1");
    expect(chosen).toHaveBeenCalledWith(1);
  });

  it("of a book scroll and are searched by all words of a title", async () => {
    const chosen = vi.fn();
    const book = Array.from({ length: 900 }, (_, i) => line(i === 777 ? "The Harbour Reel" : `Tide ${i}`));
    render(<LineChoice lines={book} chosen={3} onChoose={chosen} />);
    const list = screen.getByRole("list", { name: "Parts in the file" });
    expect(within(list).getAllByRole("button")).toHaveLength(200);
    expect(list.textContent).toContain("And 700 more");
    expect(within(list).getByRole("button", { pressed: true }).textContent).toContain("Tide 3");
    await userEvent.type(screen.getByLabelText("Search the parts in the file"), "reel harb");
    const found = within(list).getAllByRole("button");
    expect(found).toHaveLength(1);
    await userEvent.click(found[0]!);
    expect(chosen).toHaveBeenCalledWith(777);
    await userEvent.type(screen.getByLabelText("Search the parts in the file"), " nothing");
    expect(list.textContent).toContain("No part has that name.");
  });
});
