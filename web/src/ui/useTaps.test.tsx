// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { useTaps } from "./useTaps";

afterEach(cleanup);

const spaceAt = (timeStamp: number) =>
  ({ key: " ", repeat: false, timeStamp }) as Parameters<ReturnType<typeof useTaps>["button"]["onKeyDown"]>[0];

describe("taps", () => {
  it("are told in seconds, and are gone once they are taken", () => {
    const { result } = renderHook(() => useTaps(3));
    act(() => result.current.button.onPointerDown({ timeStamp: 10_000 }));
    act(() => result.current.button.onKeyDown(spaceAt(10_480)));
    expect(result.current.count).toBe(2);
    let taken: number[] = [];
    act(() => {
      taken = result.current.take();
    });
    expect(taken).toEqual([10, 10.48]);
    expect(result.current.count).toBe(0);
  });

  it("begin anew after a silence", () => {
    const { result } = renderHook(() => useTaps(3));
    act(() => result.current.button.onPointerDown({ timeStamp: 10_000 }));
    act(() => result.current.button.onPointerDown({ timeStamp: 13_001 }));
    expect(result.current.count).toBe(1);
  });

  it("come from a finger and from keys that act, but not from a key that is held", () => {
    function Tapper() {
      const taps = useTaps(3);
      return <button {...taps.button}>{taps.count} taps</button>;
    }
    render(<Tapper />);
    const button = screen.getByRole("button");
    fireEvent.pointerDown(button);
    fireEvent.keyDown(button, { key: "Enter" });
    fireEvent.keyDown(button, { key: " ", repeat: true });
    fireEvent.keyDown(button, { key: "a" });
    expect(button.textContent).toBe("2 taps");
  });
});
