import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Score, type Spot } from "../../notation/Score";
import type { Pass } from "./asks";

interface Props {
  /** What was played last. */
  pass: Pick<Pass, "abc" | "places" | "firstLink">;
  passageId: number;
}

const REACH = 22;

/** While resting: a tap on the note at which it broke notes the link that leads to it. */
export function WhereItBroke({ pass, passageId }: Props) {
  const [said, setSaid] = useState("");
  const broke = useChange(
    (link: number) =>
      given(api.POST("/api/passages/{id}/links/{link}/breaks", { params: { path: { id: passageId, link } } })),
    touches.breaks(passageId),
  );
  const { firstLink } = pass;
  if (firstLink === null) return null;
  const note = (at: number) =>
    broke.mutate(firstLink + at - 1, { onSuccess: () => setSaid(`Noted: it broke going to note ${at + 1}.`) });
  return (
    <div>
      <Score abc={pass.abc} places={pass.places} label="What was played last" scale={1.1} room={6}>
        {({ spots }) => (
          <div className="absolute inset-0">
            {spots.map((spot, at) => at > 0 && spot && <Note key={at} spot={spot} at={at} onTap={() => note(at)} />)}
          </div>
        )}
      </Score>
      <p role="status" className="mt-2 text-night-soft">
        {broke.isError ? sentence(broke.error) : said || "Where did it break? Tap the note it did not get to."}
      </p>
    </div>
  );
}

function Note({ spot, at, onTap }: { spot: Spot; at: number; onTap: () => void }) {
  return (
    <button
      type="button"
      aria-label={`It broke going to note ${at + 1}`}
      onClick={onTap}
      className="absolute rounded-[5px] hover:bg-night-rule/60"
      style={{ left: spot.x - REACH / 2, top: spot.y - REACH, width: REACH, height: 2 * REACH }}
    />
  );
}
