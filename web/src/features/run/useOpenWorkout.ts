import { useQuery } from "@tanstack/react-query";
import { api, given } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { windowId } from "../../outbox/windowId";
import { called } from "../../ui/format";
import { say } from "../../words/say";

/** A workout that is open: what it is on, and a way to end it. */
export function useOpenWorkout(runId: number) {
  const run = useQuery({
    queryKey: ["open", runId],
    queryFn: () => given(api.GET("/api/runs/{id}", { params: { path: { id: runId }, query: { holder: windowId() } } })),
  });
  const name = run.data ? called(run.data.passage, run.data.section) : say("open.another");
  return { name, end: useEndOpen(runId) };
}

/** Ends an open workout with all that was played. */
export const useEndOpen = (runId: number) =>
  useChange(
    () =>
      given(
        api.POST("/api/runs/{id}/events", {
          params: { path: { id: runId } },
          body: {
            clientId: crypto.randomUUID(),
            holder: windowId(),
            ordinal: 0,
            kind: "STOPPED",
            verdict: null,
            tension: null,
            told: null,
            seconds: 0,
            secondsAgo: null,
            measured: [],
            taken: null,
          },
        }),
      ),
    touches.run,
  );
