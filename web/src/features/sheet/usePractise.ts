import { useNavigate } from "react-router";
import { api, given } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { AS_ITS_METHOD, type Block, own } from "../plan/blocks";

/** A few minutes: as long as slow passes of one variation stay practice. */
const SECONDS = 180;

interface Practised {
  sectionId: number;
  variation: string;
  tempo: number;
}

/** Puts a variation into the plan of its section, at a tempo, and opens the plan: it stands before the main work there. */
export function usePractise() {
  const navigate = useNavigate();
  return useChange(async ({ sectionId, variation, tempo }: Practised) => {
    const [usual, drafts] = await Promise.all([
      given(api.GET("/api/sections/{id}/plan", { params: { path: { id: sectionId } } })),
      given(api.GET("/api/drafts")),
    ]);
    const draft = drafts.find((wish) => wish.sectionId === sectionId);
    const block: Block = {
      part: "PREPARE",
      theme: 0,
      variation,
      seconds: SECONDS,
      school: usual.wish.school,
      own: true,
      setting: { ...AS_ITS_METHOD, of: "BPM", tempo },
    };
    const before = own(draft?.blocks ?? []).filter((one) => one.variation !== variation || one.theme !== 0);
    await given(api.PUT("/api/drafts", { body: { ...(draft ?? usual.wish), blocks: [...before, block] } }));
    void navigate(`/plan/${sectionId}`);
  }, touches.drafts);
}
