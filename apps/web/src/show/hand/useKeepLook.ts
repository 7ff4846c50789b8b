import { type Hand, type Moves, type ShowSheet, freeId, keyNamed, makeMove, targetOfMove } from "@zm/core";
import { notify } from "../../shared/notices.ts";
import { useHand } from "../handStore.ts";
import { liveOutputs } from "../outputs.ts";
import type { Runner } from "../queue.ts";
import { useMakeEdits, useShow } from "../useShow.ts";

/** Makes held looks: of what is in hand, or of the lights that are lit on stage. One that has the name already gets these values. */
export function useKeepLook(): (label: string, from: "hand" | "stage", run?: Runner) => Promise<boolean> {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  return async (label, from, run) => {
    const values = from === "hand" ? handValues(sheet, useHand.getState().hand) : stageValues(sheet);
    if (Object.keys(values).length === 0) {
      notify(from === "hand" ? "Nothing is in hand; give some lights a value first" : "No light is lit on stage", "trouble");
      return false;
    }
    const looks = sheet.show.heldLooks ?? [];
    const known = looks.find((look) => look.label.toLowerCase() === label.trim().toLowerCase());
    const taken = looks.map(({ id }) => id);
    return makeEdits([{ op: "setHeldLook", look: { ...(known ?? { id: freeId(label, taken), label }), values } }], run);
  };
}

/** What is in hand as the values of a look: without times and waves, which a look has not. */
function handValues(sheet: ShowSheet, hand: Hand): Moves {
  const values: Moves = {};
  for (const [name, held] of Object.entries(hand.held)) {
    const key = keyNamed(sheet.keys, name);
    if (!key || !("move" in held)) continue;
    const target = targetOfMove(held.move);
    if ("release" in target) continue;
    (values[key.channel] ??= {})[key.attribute.id] = makeMove(target);
  }
  return values;
}

/** What is on stage as the values of a look: everything of the lights that are lit. */
function stageValues(sheet: ShowSheet): Moves {
  const outputs = liveOutputs(sheet);
  const lit = new Set(
    sheet.keys.all
      .filter(({ attribute, ordinal }) => attribute.family === "intensity" && (outputs[ordinal] ?? 0) > 0)
      .map(({ channel }) => channel),
  );
  const values: Moves = {};
  for (const { channel, attribute, ordinal } of sheet.keys.all)
    if (lit.has(channel)) (values[channel] ??= {})[attribute.id] = Math.round((outputs[ordinal] ?? 0) * 100) / 100;
  return values;
}
