import { api, given } from "../api/client";

/** So many passages are fetched ahead at most: those that were played last stand first. */
const MOST_PASSAGES = 12;

/**
 * Asks for what somebody may want to read where there is no network: today and the next days, the passages, their practice
 * sheets and plans. The service worker keeps the answers.
 */
export async function fetchAhead() {
  const today = await given(api.GET("/api/today", { params: { query: { minutes: undefined, easy: false } } }));
  const passages = await given(api.GET("/api/passages"));
  for (const ask of [
    () => api.GET("/api/drafts"),
    () => api.GET("/api/methods"),
    () => api.GET("/api/season"),
    () => api.GET("/api/load"),
    () => api.GET("/api/changes"),
    () => api.GET("/api/templates"),
    () => api.GET("/api/formats"),
    () => api.GET("/api/log", { params: { query: { before: undefined } } }),
  ])
    await ask();
  for (const { sectionId: id } of today.sections) {
    await api.GET("/api/sections/{id}/plan", { params: { path: { id } } });
    await api.GET("/api/sections/{id}/ceiling", { params: { path: { id } } });
  }
  const first = [...today.sections.map(({ passageId }) => passageId), ...passages.map(({ id }) => id)];
  for (const id of [...new Set(first)].slice(0, MOST_PASSAGES)) {
    await api.GET("/api/passages/{id}", { params: { path: { id } } });
    await api.GET("/api/passages/{id}/practice-sheet", { params: { path: { id } } });
  }
}
