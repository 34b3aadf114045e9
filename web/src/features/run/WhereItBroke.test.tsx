// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Why } from "./WhereItBroke";

afterEach(cleanup);

describe("why it broke", () => {
  it("is one tap", () => {
    const say = vi.fn();
    render(<Why onSay={say} />);
    fireEvent.click(screen.getByRole("button", { name: "too much movement" }));
    expect(say).toHaveBeenCalledWith("too much movement");
  });

  it("is said in other words, which are no keys of the run", () => {
    const say = vi.fn();
    render(<Why onSay={say} />);
    const words = screen.getByLabelText("Something else");
    fireEvent.change(words, { target: { value: "fourth finger late" } });
    fireEvent.submit(words);
    expect(say).toHaveBeenCalledWith("fourth finger late");
  });
});
