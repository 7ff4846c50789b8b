import { at } from "@zm/core";
import { Link } from "react-router";
import { ActionButton } from "../shared/ActionButton.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { RigLink } from "../show/RigLink.tsx";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";

/** A list without cues: what comes first is lights, then a look and its record. */
export function EmptyScore() {
  const { id, sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const { off } = list.list;
  if (sheet.show.channels.length === 0)
    return (
      <EmptyView
        title="No cue yet, and no light"
        words="A cue list needs lights to speak of. Types and lights are made in the Rig; after that a look is built on the Stage and recorded."
      >
        <RigLink />
      </EmptyView>
    );
  return (
    <EmptyView
      title={`No cue in ${list.list.label || "this list"} yet`}
      words="Choose lights on the Stage, give them levels and colours, then record what is in hand as the first cue: press n, or type record new."
    >
      <div className="flex gap-2">
        <Link className="btn btn-primary btn-sm" to={`/show/${id}/stage`}>
          Build the first look
        </Link>
        <ActionButton
          className="btn btn-outline btn-sm border-neutral"
          onAct={() => makeEdits([{ op: "insertCue", list: list.id, cue: "1", label: "Preset" }])}
        >
          Insert an empty cue 1
        </ActionButton>
        {off && (
          <ActionButton
            className="btn btn-outline btn-sm border-neutral"
            onAct={() => makeEdits([{ op: "switchOn", list: list.id, from: at(off, 0).number, to: at(off, off.length - 1).number }])}
          >
            Switch {off.length === 1 ? `cue ${at(off, 0).number}` : `${off.length} cues`} on again
          </ActionButton>
        )}
      </div>
    </EmptyView>
  );
}
