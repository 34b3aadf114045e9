import { type ComponentType, useEffect, useState } from "react";
import { loadAnew } from "../offline/build";
import { Waiting } from "./Page";

type Module<P> = { default: ComponentType<P> };
type Found<P> = { page: ComponentType<P> } | { error: unknown };

/**
 * A page whose code is fetched when it is first shown. React's own way to say so keeps what has arrived back for another
 * 300 ms once "One moment" was shown, on every page; this shows it at once. What cannot be fetched is for the boundary.
 */
export function later<P extends object>(fetch: () => Promise<Module<P>>) {
  let kept: Found<P> | undefined;
  return function Later(props: P) {
    const [found, setFound] = useState(kept);
    useEffect(() => {
      if (found) return;
      let left = false;
      const arrived = (now: Found<P>) => {
        if (!left) setFound(now);
      };
      fetch().then(
        ({ default: page }) => arrived((kept = { page })),
        (error: unknown) => {
          if (!loadAnew()) arrived({ error });
        },
      );
      return () => {
        left = true;
      };
    }, [found]);
    if (!found) return <Waiting />;
    if ("error" in found) throw found.error;
    return <found.page {...props} />;
  };
}
