import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, given, type Schemas } from "../../api/client";
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
  const known = useQuery({
    queryKey: ["plan-score", sections],
    queryFn: async () => {
      const [core, score] = await Promise.all([
        import("tachylim-core"),
        given(api.POST("/api/plans/score", { body: { ...wish, blocks: [] } })),
      ]);
      return core.edition() === score.edition ? { core, score: JSON.stringify(score) } : null;
    },
    // What is left of the day may have changed whenever the page is opened.
    staleTime: 0,
    gcTime: 0,
  });
  const { data } = known;
  return useMemo(() => {
    if (!data) return undefined;
    try {
      const plan = JSON.parse(data.core.plan(data.score, JSON.stringify(wish))) as Planned | { refused: string };
      return "refused" in plan ? undefined : plan;
    } catch {
      // The server draws it then.
      return undefined;
    }
  }, [data, wish]);
}
