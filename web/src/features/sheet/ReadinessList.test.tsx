// @vitest-environment jsdom
import { NOTHING, reason } from "../../test/reasons";
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { pretendServer, show } from "../../test/server";
import { ReadinessList } from "./ReadinessList";
import { say } from "../../words/say";

afterEach(cleanup);

const item = (part: Partial<Schemas["ReadinessDto"]>): Schemas["ReadinessDto"] => ({
  item: "COUNTED",
  preparation: true,
  reached: false,
  reachedOn: null,
  lostOn: null,
  why: NOTHING,
  ...part,
});

describe("readiness", () => {
  it("says how much of the preparation is open, and what was lost and why", () => {
    show(
      <ReadinessList
        passageId={7}
        items={[
          item({}),
          item({ item: "SLOW_AND_CLEAN", lostOn: "2026-03-02", why: reason("lost.broke") }),
          item({ item: "WHOLE", preparation: false }),
        ]}
      />,
    );
    expect(screen.getByText(say("sheet.ofThePreparationStillOpen", { open: 2 }))).toBeTruthy();
    expect(screen.getByText(new RegExp(`lost .*${say("lost.broke")}`))).toBeTruthy();
  });

  it("is kept as it is ticked, and shown so before the server has answered", async () => {
    let answer: () => void = () => undefined;
    const waiting = new Promise<void>((done) => (answer = done));
    const server = pretendServer({ "PUT /api/passages/7/readiness": () => ({}) });
    const answered = globalThis.fetch;
    globalThis.fetch = async (...call) => {
      await waiting;
      return answered(...call);
    };
    show(<ReadinessList passageId={7} items={[item({})]} />);
    await userEvent.click(screen.getByRole("checkbox"));
    expect(screen.getByRole<HTMLInputElement>("checkbox").checked).toBe(true);
    answer();
    await waitFor(() =>
      expect(server.of("/api/passages/7/readiness")[0]?.body).toEqual({ item: "COUNTED", reached: true }),
    );
  });

  it("that is refused goes back and says why", async () => {
    pretendServer({
      "PUT /api/passages/7/readiness": () => ({ status: 422, body: { detail: "That is all it holds." } }),
    });
    show(<ReadinessList passageId={7} items={[item({})]} />);
    await userEvent.click(screen.getByRole("checkbox"));
    expect(await screen.findByText("That is all it holds.")).toBeTruthy();
    expect(screen.getByRole<HTMLInputElement>("checkbox").checked).toBe(false);
  });
});
