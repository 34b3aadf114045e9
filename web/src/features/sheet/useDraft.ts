import { useEffect, useState } from "react";
import { keepOfWindow } from "../../keep";

/** A form's contents, kept in this window until they are sent, so that a reload takes nothing away. */
export function useDraft<T>(name: string, first: T) {
  const key = `tachylim.draft.${name}`;
  const [draft, setDraft] = useState<T>(() => {
    try {
      const kept = keepOfWindow.getItem(key);
      return kept ? { ...first, ...(JSON.parse(kept) as T) } : first;
    } catch {
      return first;
    }
  });
  useEffect(() => keepOfWindow.setItem(key, JSON.stringify(draft)), [key, draft]);
  const forget = () => keepOfWindow.removeItem(key);
  return [draft, setDraft, forget] as const;
}
