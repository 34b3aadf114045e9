import { reason } from "../../test/reasons";
// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Asked, pretendServer, show } from "../../test/server";
import { say } from "../../words/say";

vi.mock("../../notation/Engraving", () => ({ Engraving: ({ abc }: { abc: string }) => <p>{abc}</p> }));

const { FileMusic } = await import("./FileMusic");

const file = () => new File(["X:1\nK:C\nC"], "tune.mid");

const view = (more: object = {}, chosen: object = {}) => ({
  format: "MIDI",
  kind: "MIDI",
  title: "",
  lines: [{ part: "Track 1", voice: "", notes: 9, firstBar: "0", lastBar: "3" }],
  chosen: {
    line: 0,
    firstBar: "0",
    lastBar: "3",
    bars: ["0", "1", "2", "3"],
    unrolled: false,
    grid: null,
    pickup: null,
    abc: "K:C",
    notes: 9,
    hasRepeats: false,
    meter: "4/4",
    problem: "",
    ...chosen,
  },
  leftOut: [],
  unread: [],
  warnings: [],
  drawn: { grid: 4, pickup: 4 },
  ...more,
});

const FORMATS = [
  { format: "MIDI", title: "MIDI", words: reason("format.MIDI"), endings: ["mid", "midi"] },
  { format: "ABC", title: "ABC", words: reason("format.ABC"), endings: ["abc"] },
];

let last: Asked | undefined;
let answer = view();

beforeEach(() => {
  last = undefined;
  answer = view();
  pretendServer({
    "GET /api/formats": () => ({ body: FORMATS }),
    "POST /api/scores": (asked) => {
      last = asked;
      return { body: answer };
    },
  });
});
afterEach(cleanup);

async function opened(onTake = vi.fn()) {
  show(<FileMusic onTake={onTake} />);
  await screen.findByText(/MIDI; ABC/);
  await userEvent.upload(screen.getByLabelText(say("sheet.aFileOfMusic")), file());
  await screen.findByText("K:C");
  return onTake;
}

describe("music from a file", () => {
  it("may be of every kind the server reads", async () => {
    show(<FileMusic onTake={vi.fn()} />);
    await screen.findByText(say("sheet.itStaysOnThisMachine", { formats: "MIDI; ABC with any number of tunes" }));
    expect(screen.getByLabelText(say("sheet.aFileOfMusic")).getAttribute("accept")).toBe(".mid,.midi,.abc");
  });

  it("is taken as it is shown, under the name of its line when the file has no title", async () => {
    const onTake = await opened();
    const take = screen.getByRole("button", { name: say("sheet.takeTheseNotes", { notes: 9 }) });
    await waitFor(() => expect(take).toHaveProperty("disabled", false));
    await userEvent.click(take);
    expect(onTake).toHaveBeenCalledWith("K:C", "Track 1");
  });

  it("is cut by the numbers the score prints, and a stretch never ends before it begins", async () => {
    await opened();
    await userEvent.selectOptions(screen.getByLabelText(say("sheet.toBar")), "1");
    await waitFor(() => expect(last?.query.get("lastBar")).toBe("1"));
    await userEvent.selectOptions(screen.getByLabelText(say("sheet.fromBar")), "2");
    await waitFor(() => expect(last?.query.get("firstBar")).toBe("2"));
    expect(last?.query.get("lastBar")).toBe("2");
  });

  it("lets bar one be set where times are recorded", async () => {
    await opened();
    const where = screen.getByLabelText(say("sheet.whereBarOneBegins"));
    expect(where.textContent).toContain("after 1 quarters, as found");
    await userEvent.selectOptions(where, "6");
    await waitFor(() => expect(last?.query.get("pickup")).toBe("6"));
    await userEvent.selectOptions(screen.getByLabelText(say("sheet.gridToDrawTo")), "0");
    await waitFor(() => expect(last?.query.get("grid")).toBe("0"));
  });

  it("offers neither where they are written", async () => {
    answer = view({ drawn: null, format: "ABC" });
    await opened();
    expect(screen.queryByLabelText(say("sheet.gridToDrawTo"))).toBeNull();
    expect(screen.queryByLabelText(say("sheet.whereBarOneBegins"))).toBeNull();
  });

  it("says what could not be read and what was left out", async () => {
    answer = view({
      unread: ["Tide (X:3), line 9: no.", "Ebb (X:4): it holds no note."],
      leftOut: [reason("omitted", { kind: reason("omitted.dynamics"), count: 3 })],
    });
    await opened();
    expect(screen.getByText("2 tunes couldn't be read")).toBeTruthy();
    expect(screen.getByText("Ebb (X:4): it holds no note.")).toBeTruthy();
    expect(screen.getByText(/Left out.*dynamics: 3\./)).toBeTruthy();
  });

  it("that makes no passage says why and is not to be taken", async () => {
    answer = view({}, { abc: "", problem: "There is no note in bars 2 to 3 of this line.", notes: 0 });
    show(<FileMusic onTake={vi.fn()} />);
    await screen.findByText(/MIDI; ABC/);
    await userEvent.upload(screen.getByLabelText(say("sheet.aFileOfMusic")), file());
    await screen.findByText("There is no note in bars 2 to 3 of this line.");
    expect(screen.getByRole("button", { name: say("sheet.takeTheseNotes", { notes: 0 }) })).toHaveProperty(
      "disabled",
      true,
    );
  });

  it("that is refused says the server's sentence", async () => {
    pretendServer({
      "GET /api/formats": () => ({ body: FORMATS }),
      "POST /api/scores": () => ({ status: 422, body: { status: 422, detail: "This file is empty.", field: "file" } }),
    });
    show(<FileMusic onTake={vi.fn()} />);
    await screen.findByText(/MIDI; ABC/);
    await userEvent.upload(screen.getByLabelText(say("sheet.aFileOfMusic")), file());
    expect((await screen.findByRole("alert")).textContent).toBe("This file is empty.");
  });
});
