import { useCallback } from "react";
import { QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, given, NoConnection, Problem, type Schemas } from "./client";
import type { Touches } from "./touches";
import { say } from "../words/say";

export const queryClient = new QueryClient({
  defaultOptions: {
    // Tachylim runs on this machine: that the network is gone is no reason to wait.
    mutations: { networkMode: "always" },
    queries: {
      networkMode: "always",
      staleTime: 5_000,
      refetchOnWindowFocus: false,
      retry: (count, error) => error instanceof NoConnection && count < 2,
    },
  },
});

export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

const AGAIN_MS = 3_000;

/** Who is here. Nothing can be shown before it is known, so that it is asked for until there is an answer. */
export function useGreeting() {
  return useQuery({
    queryKey: ["greeting"],
    queryFn: () => given(api.GET("/api/greeting")),
    staleTime: 60_000,
    refetchInterval: ({ state }) => state.error instanceof NoConnection && AGAIN_MS,
  });
}

/** How far the microphone is trusted on an instrument; asked where it listens. */
export function useTrust(instrument: string, listens: boolean) {
  return useQuery({
    queryKey: ["trust", instrument],
    queryFn: () =>
      given(
        api.GET("/api/takes/trust/{instrument}", {
          params: { path: { instrument: instrument as Schemas["RunView"]["instrument"] } },
        }),
      ),
    enabled: listens,
    staleTime: 60_000,
  }).data;
}

/** How even passages were this week, where anything was measured. */
export function useEvenWeek() {
  return useQuery({ queryKey: ["evenness", "week"], queryFn: () => given(api.GET("/api/takes/week")) });
}

/** Up to which tempo a section is even. */
export function useEvenUpTo(sectionId: number) {
  return useQuery({
    queryKey: ["evenness", "section", sectionId],
    queryFn: () => given(api.GET("/api/takes/sections/{sectionId}/even", { params: { path: { sectionId } } })),
  });
}

export function useEvenness(passageId: number) {
  return useQuery({
    queryKey: ["evenness", passageId],
    queryFn: () => given(api.GET("/api/takes/evenness/{passageId}", { params: { path: { passageId } } })),
  });
}

/** How many hours playing rests after a symptom. */
export const useRestHours = () => useGreeting().data?.restHours ?? "some";

export function useToday(minutes: number | undefined, easy: boolean) {
  return useQuery({
    queryKey: ["today", minutes, easy],
    queryFn: () => given(api.GET("/api/today", { params: { query: { minutes, easy } } })),
    placeholderData: (before) => before,
  });
}

export function usePassages() {
  return useQuery({ queryKey: ["passages"], queryFn: () => given(api.GET("/api/passages")) });
}

export function usePassage(id: number) {
  return useQuery({
    queryKey: ["passage", id],
    queryFn: () => given(api.GET("/api/passages/{id}", { params: { path: { id } } })),
  });
}

/** What a workout has moved, when everything of it has arrived. */
export function useAfter(runId: number, enabled: boolean) {
  return useQuery({
    queryKey: ["after", runId],
    queryFn: () => given(api.GET("/api/runs/{id}/after", { params: { path: { id: runId } } })),
    enabled,
  });
}

/** The methods there are: the same for everybody, so asked for once. */
export function useMethods() {
  return useQuery({ queryKey: ["methods"], queryFn: () => given(api.GET("/api/methods")), staleTime: Infinity });
}

export function usePracticeSheet(id: number) {
  return useQuery({
    queryKey: ["practiceSheet", id],
    queryFn: () => given(api.GET("/api/passages/{id}/practice-sheet", { params: { path: { id } } })),
  });
}

export interface Stretch {
  first?: number | undefined;
  last?: number | undefined;
}

export function useSheet(id: number, stretch: Stretch, bpm: number, whole = false) {
  return useQuery({
    queryKey: ["sheet", id, stretch, bpm, whole],
    queryFn: () =>
      given(api.GET("/api/passages/{id}/variations", { params: { path: { id }, query: { ...stretch, bpm, whole } } })),
    placeholderData: (before) => before,
    retry: false,
  });
}

export function useVariation(id: number, key: string | undefined, stretch: Stretch, bpm: number) {
  return useQuery({
    queryKey: ["variation", id, key, stretch, bpm],
    queryFn: () =>
      given(
        api.GET("/api/passages/{id}/variations/{key}", {
          params: { path: { id, key: key! }, query: { ...stretch, bpm } },
        }),
      ),
    enabled: key !== undefined,
    placeholderData: (before) => before,
    retry: false,
  });
}

export function useOneTransition(id: number, transition: number | undefined) {
  return useQuery({
    queryKey: ["transition", id, transition],
    queryFn: () =>
      given(
        api.GET("/api/passages/{id}/transitions/{transition}", { params: { path: { id, transition: transition! } } }),
      ),
    enabled: transition !== undefined,
  });
}

export function useUsualPlan(sectionId: number) {
  return useQuery({
    queryKey: ["plan", sectionId],
    queryFn: () => given(api.GET("/api/sections/{id}/plan", { params: { path: { id: sectionId } } })),
  });
}

/** What was wished of the last workout on a section, when it is asked for. */
export function useAgain(sectionId: number) {
  return useMutation({
    mutationFn: async () => {
      const plan = await given(api.GET("/api/sections/{id}/plan/again", { params: { path: { id: sectionId } } }));
      return plan.wish;
    },
  });
}

export function usePreview(wish: Schemas["PlanWish"] | undefined) {
  return useQuery({
    queryKey: ["preview", wish],
    queryFn: () => given(api.POST("/api/plans", { body: wish! })),
    enabled: wish !== undefined,
    placeholderData: (before) => before,
  });
}

export function useReading(music: Schemas["MusicText"] | undefined) {
  return useQuery({
    queryKey: ["reading", music],
    queryFn: () => given(api.POST("/api/readings", { body: music! })),
    enabled: music !== undefined,
    retry: false,
    staleTime: Infinity,
  });
}

export function useCeiling(sectionId: number) {
  return useQuery({
    queryKey: ["ceiling", sectionId],
    queryFn: () => given(api.GET("/api/sections/{id}/ceiling", { params: { path: { id: sectionId } } })),
    placeholderData: (before) => before,
  });
}

/** What a ceiling test found. */
export function useCeilingTest(runId: number) {
  return useQuery({
    queryKey: ["ceiling-test", runId],
    queryFn: () => given(api.GET("/api/ceiling-tests/{runId}", { params: { path: { runId } } })),
  });
}

/** The kinds of file that are read and written; they change with the server alone. */
export function useFormats() {
  return useQuery({
    queryKey: ["formats"],
    queryFn: () => given(api.GET("/api/formats")),
    staleTime: Infinity,
  });
}

export function useSeason() {
  return useQuery({ queryKey: ["season"], queryFn: () => given(api.GET("/api/season")) });
}

export function useLearned() {
  return useQuery({ queryKey: ["learned"], queryFn: () => given(api.GET("/api/learned")) });
}

export function useLoad() {
  return useQuery({ queryKey: ["load"], queryFn: () => given(api.GET("/api/load")) });
}

/** Plans that were changed and not begun yet. */
export function useDrafts() {
  // Another page or device may have changed them.
  return useQuery({ queryKey: ["drafts"], queryFn: () => given(api.GET("/api/drafts")), refetchOnMount: "always" });
}

export function useTemplates() {
  return useQuery({ queryKey: ["templates"], queryFn: () => given(api.GET("/api/templates")) });
}

export function useCounts() {
  return useQuery({ queryKey: ["counts"], queryFn: () => given(api.GET("/api/changes")) });
}

/** What is looked for in the log; what is empty is not asked about. */
export interface Wanted {
  text?: string | undefined;
  passageId?: number | undefined;
  from?: string | undefined;
  to?: string | undefined;
  outcome?: "PLAYED" | "STOPPED" | "SYMPTOM" | "LEFT" | "OUTDATED" | undefined;
}

export function useLog(before: number | undefined, wanted: Wanted) {
  return useQuery({
    queryKey: ["log", before, wanted],
    queryFn: () => given(api.GET("/api/log", { params: { query: { before, ...wanted } } })),
    placeholderData: (last) => last,
  });
}

export function useMonth(of: string | undefined) {
  return useQuery({
    queryKey: ["log", "month", of],
    queryFn: () => given(api.GET("/api/log/month", { params: { query: { of } } })),
    placeholderData: (last) => last,
  });
}

export function useSessions() {
  return useQuery({ queryKey: ["sessions"], queryFn: () => given(api.GET("/api/sessions")) });
}

export function useStorage() {
  return useQuery({ queryKey: ["storage"], queryFn: () => given(api.GET("/api/storage")) });
}

export function useWorkout(runId: number) {
  return useQuery({
    queryKey: ["workout", runId],
    queryFn: () => given(api.GET("/api/log/{runId}", { params: { path: { runId } } })),
  });
}

/** Asks anew for what something has touched. */
export function useTouch() {
  const client = useQueryClient();
  return useCallback(
    (touches: Touches) => Promise.all(touches.map((queryKey) => client.invalidateQueries({ queryKey }))),
    [client],
  );
}

/** A change on the server, after which what it touches is asked for anew. Changes arrive in the order they were made. */
export function useChange<Wish, Result>(change: (wish: Wish) => Promise<Result>, touches: Touches) {
  const touch = useTouch();
  return useMutation({
    mutationFn: change,
    scope: { id: "changes" },
    onSuccess: () => touch(touches),
    retry: false,
  });
}

/** What to tell somebody about an error. */
export function sentence(error: unknown): string {
  if (error instanceof Problem) return error.detail;
  if (error instanceof NoConnection) return error.message;
  return say("common.somethingWentWrongOnThis");
}
