import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { usePracticeSheet, usePassage, useSheet } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button } from "../../ui/Button";
import { Failed, Page, Waiting } from "../../ui/Page";
import { say } from "../../words/say";

type Paper = "a4" | "letter";

/** A page for the music stand: the notes, and the variations with their matching tempos. */
export default function SheetPage() {
  const id = Number(useParams().id);
  const [search] = useSearchParams();
  const passage = usePassage(id);
  const practiceSheet = usePracticeSheet(id);
  const [paper, setPaper] = useState<Paper>("a4");
  const [which, setWhich] = useState<"today" | "all">("today");
  const section = passage.data?.passage.sections.find(
    (one) => one.id === Number(search.get("section") ?? search.get("piece")),
  );
  const target = passage.data?.passage.targetBpm ?? 100;
  const sheet = useSheet(id, { first: section?.firstNote, last: section?.lastNote }, target, true);
  if (passage.isPending || practiceSheet.isPending) return <Waiting />;
  if (passage.isError || practiceSheet.isError) return <Failed error={passage.error ?? practiceSheet.error} />;
  if (sheet.isError) return <Failed error={sheet.error} />;
  const chosen = new Set(practiceSheet.data.today.map((one) => one.variation));
  const today = sheet.data?.variations.filter((variation) => chosen.has(variation.key)) ?? [];
  const variations = which === "all" || today.length === 0 ? (sheet.data?.variations ?? []) : today;
  return (
    <div className={`paper-${paper}`}>
      <Page
        title={section ? `${passage.data.passage.title}, ${section.name}` : passage.data.passage.title}
        above={
          <span className="print:hidden">
            <Link to={`/passages/${id}`} className="underline-offset-4 hover:underline">
              {say("sheet.backToThePracticeSheet")}
            </Link>
          </span>
        }
        aside={
          <div className="flex flex-wrap items-center gap-4 print:hidden">
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="which"
                checked={which === "today"}
                onChange={() => setWhich("today")}
                className="accent-spruce"
                disabled={today.length === 0}
              />{" "}
              {say("sheet.todays")}
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="which"
                checked={which === "all" || today.length === 0}
                onChange={() => setWhich("all")}
                className="accent-spruce"
              />{" "}
              {say("sheet.allVariations")}
            </label>
            <label className="flex items-center gap-2">
              {say("sheet.paper")}
              <select
                aria-label={say("sheet.paperSize")}
                value={paper}
                onChange={(event) => setPaper(event.target.value as Paper)}
                className="min-h-11 rounded-[5px] border border-rule-strong bg-white px-2"
              >
                <option value="a4">A4</option>
                <option value="letter">{say("sheet.letter")}</option>
              </select>
            </label>
            <Button kind="main" onClick={() => window.print()}>
              {say("sheet.print")}
            </Button>
          </div>
        }
      >
        <p className="text-soft">
          {say("sheet.targetToTheNoteEach", { target: Math.round(target), beatUnit: passage.data.reading.beatUnit })}
        </p>
        {!section && (
          <section className="sheet-part mt-3 pb-2" aria-label={say("sheet.asWritten")}>
            <Engraving abc={practiceSheet.data.music.abc} label={say("sheet.asWritten")} scale={1.15} />
          </section>
        )}
        {variations.map((variation) => (
          <section
            key={variation.key}
            className="sheet-part border-t border-rule pt-2 pb-2"
            aria-label={say(variation.title)}
          >
            <h2 className="flex justify-between">
              {say(variation.title)} <span className="font-mono text-lg">{Math.round(variation.matchingBpm)}</span>
            </h2>
            <Engraving abc={variation.abc} label={say(variation.title)} scale={1.05} />
            {variation.remark.code && <p className="text-sm text-soft">{say(variation.remark)}</p>}
          </section>
        ))}
      </Page>
    </div>
  );
}
