import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { core } from "../../core/core";
import type { Wish } from "./blocks";

type PlanView = Schemas["PlanView"];

/** What the page knows of a plan by itself: its picture, and its blocks as they were composed. */
interface Planned {
  timeline: PlanView["timeline"];
  blocks: Wish["blocks"];
}

/**
 * The plan of a wish, drawn by the core that the page carries: each change is seen at once. Nothing while that is not there,
 * or where it refuses the wish; the server says then what is wrong.
 */
export function usePlanHere(wish: Wish): Planned | undefined {
  const sections = [wish.sectionId, ...wish.others];
  const { data } = useQuery({
    queryKey: ["plan-score", sections],
    queryFn: async () => {
      const [edition, score] = await Promise.all([
        core.edition(),
        given(api.POST("/api/plans/score", { body: { ...wish, blocks: [] } })),
      ]);
      return edition === score.edition ? JSON.stringify(score) : null;
    },
    // What is left of the day may have changed whenever the page is opened.
    staleTime: 0,
    gcTime: 0,
  });
  return useLatest(data ?? undefined, wish);
}

/** One plan is drawn at a time, and then the last that is wished for: what a hand passes over is not waited for. */
function useLatest(score: string | undefined, wish: Wish) {
  const [drawn, setDrawn] = useState<{ score: string; plan: Planned | undefined }>();
  const wanted = useRef<{ score: string; wish: Wish }>(undefined);
  const isDrawing = useRef(false);
  useEffect(() => {
    if (score === undefined) return;
    wanted.current = { score, wish };
    if (isDrawing.current) return;
    isDrawing.current = true;
    void (async () => {
      for (let next = wanted.current; next; next = wanted.current) {
        wanted.current = undefined;
        setDrawn({ score: next.score, plan: await planned(next.score, next.wish) });
      }
      isDrawing.current = false;
    })();
  }, [score, wish]);
  return drawn?.score === score ? drawn?.plan : undefined;
}

async function planned(score: string, wish: Wish) {
  try {
    const plan = JSON.parse(await core.plan(score, JSON.stringify(wish))) as Planned | { refused: string };
    return "refused" in plan ? undefined : plan;
  } catch {
    // The server draws it then.
    return undefined;
  }
}
