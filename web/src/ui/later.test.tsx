// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { ErrorBoundary } from "./ErrorBoundary";
import { later } from "./later";
import { say } from "../words/say";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const Stand = ({ music }: { music: string }) => <h1>{music}</h1>;

describe("a page whose code is fetched when it is shown", () => {
  it("is there as soon as its code is, and at once when it is shown again", async () => {
    const fetch = vi.fn(() => Promise.resolve({ default: Stand }));
    const Page = later(fetch);
    const { unmount } = render(<Page music="Kestrel Weather" />);
    expect(screen.getByRole("status").textContent).toContain(say("common.oneMoment"));
    await vi.waitFor(() => expect(screen.getByRole("heading").textContent).toContain("Kestrel Weather"), {
      timeout: 200,
    });
    unmount();
    render(<Page music="Slow Tide" />);
    expect(screen.getByRole("heading").textContent).toContain("Slow Tide");
    expect(fetch).toHaveBeenCalledTimes(1);
  });

  it("says that it could not be drawn when its code cannot be fetched, and tries again when shown anew", async () => {
    vi.spyOn(console, "error").mockImplementation(() => undefined);
    const fetch = vi.fn<() => Promise<{ default: typeof Stand }>>();
    fetch.mockRejectedValueOnce(new Error("no connection")).mockResolvedValue({ default: Stand });
    const Page = later(fetch);
    const { unmount } = render(<Page music="Kestrel Weather" />, { wrapper: ErrorBoundary });
    expect((await screen.findByRole("alert")).textContent).toContain(say("common.thisPageCouldNotBe"));
    unmount();
    render(<Page music="Kestrel Weather" />, { wrapper: ErrorBoundary });
    expect((await screen.findByRole("heading")).textContent).toContain("Kestrel Weather");
  });
});
