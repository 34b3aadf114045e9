import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, given } from "../../api/client";
import { useDebounced } from "./useDebounced";

interface Choice {
  line: number;
  firstBar: string | undefined;
  lastBar: string | undefined;
  unrolled: boolean;
  grid: number | undefined;
  pickup: number | undefined;
}

const FRESH: Choice = {
  line: 0,
  firstBar: undefined,
  lastBar: undefined,
  unrolled: false,
  grid: undefined,
  pickup: undefined,
};

/** A file of music, what is chosen of it, and what the server reads in it. Nothing of it is kept. */
export function useScoreFile() {
  const [file, setFile] = useState<File>();
  const [choice, setChoice] = useState<Choice>(FRESH);
  const settled = useDebounced(choice, 250);
  const score = useQuery({
    queryKey: ["score", file?.name, file?.size, file?.lastModified, settled],
    queryFn: async () => {
      const bytes = await file!.arrayBuffer();
      return given(
        api.POST("/api/scores", {
          params: { query: settled },
          headers: { "Content-Type": "application/octet-stream" },
          body: "",
          bodySerializer: () => bytes,
        }),
      );
    },
    enabled: file !== undefined,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
  const set = (part: Partial<Choice>) => setChoice((now) => ({ ...now, ...part }));
  const view = score.isError ? undefined : score.data;
  const chosen = view?.chosen;
  const bars = chosen?.bars ?? [];
  // What was just asked for counts before the server has answered.
  const first = choice.firstBar ?? chosen?.firstBar ?? "1";
  const last = choice.lastBar ?? chosen?.lastBar ?? "1";
  const isBefore = (one: string, other: string) => bars.indexOf(one) < bars.indexOf(other);
  return {
    view,
    chosen,
    line: chosen && view?.lines[chosen.line],
    choice,
    bars,
    first,
    last,
    error: score.error,
    isReading: score.isFetching,
    /** Whether what is shown is what was asked for last. */
    isSettled: !score.isFetching && choice === settled,
    open: (opened: File | undefined) => {
      setFile(opened);
      setChoice(FRESH);
    },
    chooseLine: (line: number) => set({ line, firstBar: undefined, lastBar: undefined }),
    /** A stretch never ends before it begins. */
    from: (bar: string) => set({ firstBar: bar, lastBar: isBefore(last, bar) ? bar : last }),
    to: (bar: string) => set({ firstBar: isBefore(bar, first) ? bar : first, lastBar: bar }),
    unroll: (unrolled: boolean) => set({ unrolled }),
    drawTo: (grid: number | undefined) => set({ grid, firstBar: undefined, lastBar: undefined }),
    beginBarOne: (pickup: number | undefined) => set({ pickup, firstBar: undefined, lastBar: undefined }),
  };
}
