import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { count } from "@zm/core";
import { useState } from "react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { stageQuery } from "../show/onStage.ts";
import { putOnStage } from "../show/run/putOnStage.ts";
import { useShow } from "../show/useShow.ts";

/** Which show's levels leave for the lights, and the switch that puts this one there: with what is dark after it, before it is done. */
export function StageSwitch() {
  const { id } = useShow();
  const client = useQueryClient();
  const { data: stage } = useQuery(stageQuery);
  const [asking, setAsking] = useState(false);
  if (!stage) return null;
  const isHere = stage.show === id;
  return (
    <>
      <span className={`truncate text-[13px] ${isHere ? "text-quiet" : "text-error"}`}>
        {isHere ? "This show is on stage" : stage.show === null ? "No show is on stage" : `On stage is ${stage.title}`}
      </span>
      <button
        type="button"
        className="btn btn-xs shrink-0 border-neutral"
        title={isHere ? "No levels leave for the lights any more" : "Levels of this show leave for the lights from now on"}
        onClick={() => setAsking(true)}
      >
        {isHere ? "Take it off …" : "Put this show on stage …"}
      </button>
      {asking && (
        <Modal label="The stage" onClose={() => setAsking(false)} className="w-[32rem]">
          <StageQuestion put={isHere ? null : id} onDone={() => setAsking(false)} client={client} />
        </Modal>
      )}
    </>
  );
}

function StageQuestion({ put, onDone, client }: { put: number | null; onDone: () => void; client: QueryClient }) {
  const { sheet } = useShow();
  // What is lit is asked for anew: it has changed since the view was opened.
  const { data: stage } = useQuery({ ...stageQuery, refetchOnMount: "always" });
  const own = sheet.show.title;
  const dark =
    !stage || stage.show === null
      ? "No show is on stage, so nothing goes dark."
      : stage.lit === 0
        ? `None of the lights of ${stage.title} is lit.`
        : `${count(stage.lit, "light")} of ${stage.title} ${stage.lit === 1 ? "is" : "are"} lit, and ${stage.lit === 1 ? "goes" : "go"} dark unless this show lights ${stage.lit === 1 ? "it" : "them"} too.`;
  return (
    <div className="flex flex-col gap-3 p-6">
      <h2 className="text-[17px] font-bold">{put === null ? `Take ${own} off the stage?` : `Put ${own} on stage?`}</h2>
      <p>
        {put === null
          ? `Its levels leave for no light any more; ${stage && stage.lit > 0 ? `${count(stage.lit, "light")} that ${stage.lit === 1 ? "is" : "are"} lit ${stage.lit === 1 ? "goes" : "go"} dark.` : "none of its lights is lit."} It runs on unseen.`
          : `Its levels leave for the lights from now on, and stand there again after a restart. ${dark}`}
      </p>
      <div className="flex gap-2">
        <ActionButton
          className="btn btn-primary btn-sm"
          onAct={async () => {
            if (await putOnStage(client, put)) onDone();
          }}
        >
          {put === null ? "Take it off" : "Put it on stage"}
        </ActionButton>
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={onDone}>
          Leave it
        </button>
      </div>
    </div>
  );
}
