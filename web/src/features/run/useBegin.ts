import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, given, Problem, type Schemas } from "../../api/client";
import { windowId } from "./windowId";

/** Begins a workout and goes to it; an open one is gone on with instead. */
export function useBegin() {
  const navigate = useNavigate();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (plan: Schemas["PlanWish"]) => given(api.POST("/api/runs", { body: { plan, holder: windowId() } })),
    onSuccess: (run) => {
      void client.invalidateQueries();
      void navigate(`/run/${run.id}`);
    },
    onError: (error) => {
      if (error instanceof Problem && error.code === "open-run") void navigate(`/run/${String(error.more.runId)}`);
    },
    retry: false,
  });
}
