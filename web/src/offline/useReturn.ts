import { useEffect } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { useLastReached } from "./connection";

/** So often it is tried whether the server is back, in milliseconds. */
const TRY_MS = 5_000;

/** While what is shown was seen before: looks for the server, and asks anew for all that is shown once it is back. */
export function useReturn() {
  const client = useQueryClient();
  const away = useLastReached() !== undefined;
  useEffect(() => {
    if (!away) return;
    const look = () => void client.refetchQueries({ queryKey: ["greeting"] });
    const timer = setInterval(look, TRY_MS);
    window.addEventListener("online", look);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", look);
      void client.invalidateQueries();
    };
  }, [away, client]);
}
