import { editsAfter } from "@zm/core";
import { chooseAfter } from "../choice/draft.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";

/** What becomes of the looks behind the range, as the show has it or as chosen here; what is chosen can be made what the show has. */
export function BehindTheRange({ after }: { after: "restore" | "track" }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const usual = editsAfter(sheet.show);
  return (
    <fieldset className="flex items-center gap-1.5" aria-label="After the range">
      {(["track", "restore"] as const).map((choice) => (
        <Toggle
          key={choice}
          pressed={after === choice}
          title={
            choice === "restore"
              ? "No look past the range changes (typed: only)"
              : "What the last cue shows tracks on to the next move (typed: track)"
          }
          onClick={() => chooseAfter(choice)}
        >
          {choice === "restore" ? "Restore after" : "Track on"}
        </Toggle>
      ))}
      {after !== usual && (
        <ActionButton
          className="btn btn-ghost btn-xs font-normal"
          title={`This show begins with ${after === "restore" ? "Restore after" : "Track on"} from now on, in the line too`}
          onAct={async () => {
            // From here on it is what the show has, and not what was chosen here.
            if (await makeEdits([{ op: "setShow", editsAfter: after }])) chooseAfter(null);
          }}
        >
          Always
        </ActionButton>
      )}
    </fieldset>
  );
}
