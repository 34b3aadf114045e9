import { useEffect } from "react";
import { api, given, type Schemas } from "../api/client";
import { isCutOff } from "../offline/connection";
import { packed } from "./shelf";

/** A plan that is looked at for less than this is still being chosen, in milliseconds. */
const SETTLED_MS = 2_000;

/** Takes the workout that Today shows along, so that it can be begun where there is no network. */
export function usePacking(today: Schemas["TodayView"] | undefined) {
  const plan = today && !today.openRun && today.plan?.timeline.stretches.length ? today.plan : null;
  const shown = plan && JSON.stringify([today!.day, plan.wish, plan.timeline.stretches]);
  const wish = plan && JSON.stringify(plan.wish);
  useEffect(() => {
    if (!wish || !shown || packed.all()[0]?.shown === shown || isCutOff()) return;
    const timer = setTimeout(() => {
      void given(api.POST("/api/packed", { body: JSON.parse(wish) as Schemas["PlanWish"] }))
        .then((workout) => packed.put({ id: "today", shown, wish, workout }))
        // What cannot be packed now is packed when Today is looked at again.
        .catch(() => undefined);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [shown, wish]);
}
