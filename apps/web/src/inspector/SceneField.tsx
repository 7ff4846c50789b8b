import { type Cue, type ListSheet, headingOver, sceneAt, scenesOf } from "@zm/core";
import { ActionButton } from "../shared/ActionButton.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { CueTextField } from "./CueTextField.tsx";

/** The scene that begins with a cue; where it begins none, the one that it belongs to. A called cue can take that of the play. */
export function SceneField({ list, row, cue }: { list: ListSheet; row: number; cue: Cue }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const { script } = sheet.show;
  const belongs = sceneAt(list, row)?.scene;
  const heading = script && cue.call ? headingOver(script, cue.call.line) : undefined;
  const set = (scene: string | null): Promise<boolean> =>
    makeEdits([{ op: "setCue", list: list.id, from: cue.number, to: cue.number, scene }]);
  return (
    <div className="flex flex-col gap-1">
      <CueTextField
        label="scene"
        id="cue-scene"
        value={cue.scene ?? ""}
        placeholder={belongs === undefined ? "begins none" : `in ${belongs}`}
        offers={[...new Set([...(heading === undefined ? [] : [heading]), ...scenesOf(list).map(({ scene }) => scene)])]}
        onTake={(scene) => void set(scene === "" ? null : scene)}
      />
      {heading !== undefined && heading !== belongs && (
        <ActionButton
          className="ml-14 self-start text-left text-[13px] text-quiet underline hover:text-base-content"
          title={`#${cue.number}: scene from book`}
          onAct={() => set(heading)}
        >
          as in the play: {heading}
        </ActionButton>
      )}
    </div>
  );
}
