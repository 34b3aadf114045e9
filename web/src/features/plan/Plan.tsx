import { useState } from "react";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { sentence, usePreview, useUsualPlan } from "../../api/queries";
import { Relief } from "../../relief/Relief";
import { Button } from "../../ui/Button";
import { bpm, clock, minutes, oneDecimal, called } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { useDebounced } from "../bench/useDebounced";
import { useBegin } from "../run/useBegin";
import { LeftToday } from "../today/LeftToday";
import { Handles } from "./Handles";
import { WishFields } from "./WishFields";

type Wish = Schemas["PlanWish"];

/** One workout, to be put right before it is played. */
export default function Plan() {
  const pieceId = Number(useParams().pieceId);
  const usual = useUsualPlan(pieceId);
  if (usual.isPending) return <Waiting />;
  if (usual.isError) return <Failed error={usual.error} again={() => void usual.refetch()} />;
  return <Editor key={pieceId} usual={usual.data} />;
}

function Editor({ usual }: { usual: Schemas["PlanView"] }) {
  const [wish, setWish] = useState<Wish>(usual.wish);
  const settled = useDebounced(wish, 120);
  const preview = usePreview(settled);
  const begin = useBegin();
  const view = preview.data ?? usual;
  const change = (part: Partial<Wish>) => setWish((now) => ({ ...now, ...part }));
  const empty = view.relief.stretches.length === 0;
  const { totals } = view.relief;
  return (
    <Page
      title={called(view.passage, view.piece)}
      above={
        <Link to="/" className="underline-offset-4 hover:underline">
          Today
        </Link>
      }
      aside={
        <Button kind="main" disabled={empty || preview.isError || begin.isPending} onClick={() => begin.mutate(wish)}>
          Begin this workout
        </Button>
      }
    >
      {(preview.isError || begin.isError) && (
        <p role="alert" className="mb-3 font-semibold text-plum">
          {sentence(preview.error ?? begin.error)}
        </p>
      )}
      <Relief
        relief={view.relief}
        height={240}
        handles={
          empty
            ? undefined
            : (scales, width) => (
                <Handles relief={view.relief} wish={wish} scales={scales} width={width} onChange={change} />
              )
        }
      />
      <dl className="mt-4 flex flex-wrap gap-x-10 gap-y-3 border-y border-rule py-3">
        <Total name="in all" value={minutes(totals.seconds)} />
        <Total name="playing" value={minutes(totals.playingSeconds)} />
        <Total name="rest" value={minutes(totals.restSeconds)} />
        <Total name="notes" value={totals.notes.toLocaleString()} />
        <Total name="of bursts" value={clock(totals.burstSeconds)} />
        <Total
          name={`effort, of ${bpm(view.relief.effortCap - view.relief.effortBefore)} left`}
          value={oneDecimal(totals.effort)}
        />
      </dl>
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-[20rem_1fr_16rem]">
        <WishFields wish={wish} schools={view.schools} onChange={change} />
        <section aria-label="Blocks">
          <h2 className="mb-1.5">Why each block</h2>
          <ol className="divide-y divide-rule border-y border-rule">
            {view.relief.blocks.map((block, i) => (
              <li key={i} className="flex gap-4 py-2.5">
                <span className="w-12 shrink-0 font-mono text-soft">{clock(block.start)}</span>
                <span>
                  {block.why}
                  {block.end <= block.start && (
                    <span className="text-soft"> Left out: no time or allowance is left for it.</span>
                  )}
                </span>
              </li>
            ))}
          </ol>
          {view.relief.remarks.map((remark) => (
            <p key={remark} className="mt-3">
              {remark}
            </p>
          ))}
          <div className="mt-5">
            <Caution />
          </div>
        </section>
        <LeftToday load={view.load} />
      </div>
    </Page>
  );
}

function Total({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex items-baseline gap-2">
      <dd className="text-xl font-bold">{value}</dd>
      <dt className="text-soft">{name}</dt>
    </div>
  );
}
