import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, given, Problem, type Schemas } from "../../api/client";
import { useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { windowId } from "./windowId";

/** Begins a workout and goes to it; an open one is gone on with instead. */
export function useBegin() {
  const navigate = useNavigate();
  const touch = useTouch();
  return useMutation({
    mutationFn: (plan: Schemas["PlanWish"]) => given(api.POST("/api/runs", { body: { plan, holder: windowId() } })),
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
