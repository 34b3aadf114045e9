import { useMutation } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { api, given, NoConnection, Problem, type Schemas } from "../../api/client";
import { useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { isCutOff } from "../../offline/connection";
import { beginPacked } from "../../outbox/runs";
import { windowId } from "../../outbox/windowId";
import { say } from "../../words/say";
import { StillOpen } from "./StillOpen";

type Wish = Schemas["PlanWish"];

/** What is begun, and which open workout is ended first where that was said. */
interface Beginning<What> {
  what: What;
  ending?: number | undefined;
}

const same = (wish: Wish) => Promise.resolve(wish);

/** Begins a workout and goes to it; where another is still open, it is asked which of them it shall be. */
export const useBegin = () => useBeginning(same);

/** The same with the usual workout of a method on a section, without looking at its plan first. */
export const useBeginMethod = () =>
  useBeginning(async ({ sectionId, school }: { sectionId: number; school: Wish["school"] }) => {
    const usual = await given(
      api.GET("/api/sections/{id}/plan", { params: { path: { id: sectionId }, query: { school } } }),
    );
    return usual.wish;
  });

function useBeginning<What>(planned: (what: What) => Promise<Wish>) {
  const navigate = useNavigate();
  const touch = useTouch();
  const beginning = useMutation({
    mutationFn: async ({ what, ending }: Beginning<What>) => {
      const plan = await planned(what);
      try {
        return await given(api.POST("/api/runs", { body: { plan, holder: windowId(), ending: ending ?? null } }));
      } catch (error) {
        // Where there is no network, what was taken along is begun in this browser.
        if (!(error instanceof NoConnection)) throw error;
        const id = beginPacked(plan);
        if (id === undefined) throw isCutOff() ? new Problem(0, say("offline.notTakenAlong")) : error;
        return { id };
      }
    },
    onSuccess: (run) => {
      void touch(touches.run);
      void navigate(`/run/${run.id}`);
    },
    retry: false,
  });
  const { error, variables, mutate, reset } = beginning;
  const open = error instanceof Problem && error.code === "open-run" ? Number(error.more.runId) : undefined;
  const ask: ReactNode = open !== undefined && variables && (
    <StillOpen
      runId={open}
      onGoOn={() => void navigate(`/run/${open}`)}
      onInstead={() => mutate({ what: variables.what, ending: open })}
      onClose={reset}
    />
  );
  return {
    begin: (what: What) => mutate({ what }),
    beginNow: (what: What) => beginning.mutateAsync({ what }),
    isPending: beginning.isPending,
    /** What went wrong; that another is open is asked about instead. */
    isError: beginning.isError && open === undefined,
    error,
    /** Asks about a workout that is still open; to be put on the page. */
    ask,
  };
}
