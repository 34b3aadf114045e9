import { X } from "lucide-react";
import type { Schemas } from "../../api/client";
import { usePassages } from "../../api/queries";
import { INPUT } from "../../ui/Field";
import { called } from "../../ui/format";
import { type Wish, withoutPiece, withPiece } from "./blocks";

interface Props {
  view: Schemas["PlanView"];
  wish: Wish;
  onChange: (wish: Wish) => void;
}

/** Which pieces a session is about: the one that needs it most first. */
export function Pieces({ view, wish, onChange }: Props) {
  const passages = usePassages();
  const here = new Set(view.pieces.map(({ id }) => id));
  const others = (passages.data ?? []).flatMap((passage) =>
    passage.pieces.filter((piece) => !here.has(piece.id)).map((piece) => ({ passage, piece })),
  );
  return (
    <div className="mb-4 flex flex-wrap items-center gap-2" role="group" aria-label="Pieces of this session">
      {view.pieces.length > 1 &&
        view.pieces.map((piece) => (
          <span
            key={piece.id}
            className="inline-flex min-h-10 items-center gap-1 rounded-[5px] border border-rule pl-3"
          >
            {called(piece.passage, piece.piece)}
            <button
              type="button"
              aria-label={`Leave ${called(piece.passage, piece.piece)} out`}
              className="inline-flex h-10 w-9 items-center justify-center text-soft hover:text-ink"
              onClick={() => onChange(withoutPiece(wish, piece.id))}
            >
              <X size={16} aria-hidden />
            </button>
          </span>
        ))}
      {others.length > 0 && (
        <select
          aria-label="Add a piece"
          className={`${INPUT} w-auto max-w-64`}
          value=""
          onChange={(event) => onChange(withPiece(wish, Number(event.target.value)))}
        >
          <option value="">Add a piece …</option>
          {others.map(({ passage, piece }) => (
            <option key={piece.id} value={piece.id}>
              {called(passage.title, piece.name)}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
