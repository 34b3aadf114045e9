import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, given, Problem, type Schemas } from "../../api/client";
import { useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { windowId } from "../../outbox/windowId";

const begin = (plan: Schemas["PlanWish"]) => given(api.POST("/api/runs", { body: { plan, holder: windowId() } }));

/** Begins a workout and goes to it; an open one is gone on with instead. */
export const useBegin = () => useBeginning(begin);

/** Begins the usual workout of a method on a section, without looking at its plan first. */
export const useBeginMethod = () =>
  useBeginning(async ({ sectionId, school }: { sectionId: number; school: Schemas["PlanWish"]["school"] }) => {
    const usual = await given(
      api.GET("/api/sections/{id}/plan", { params: { path: { id: sectionId }, query: { school } } }),
    );
    return begin(usual.wish);
  });

function useBeginning<Wish>(beginning: (wish: Wish) => Promise<Schemas["RunView"]>) {
  const navigate = useNavigate();
  const touch = useTouch();
  return useMutation({
    mutationFn: beginning,
    onSuccess: (run) => {
      void touch(touches.run);
      void navigate(`/run/${run.id}`);
    },
    onError: (error) => {
      if (error instanceof Problem && error.code === "open-run") void navigate(`/run/${String(error.more.runId)}`);
    },
    retry: false,
  });
}
