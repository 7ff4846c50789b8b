import { chosenLights } from "../../choice/selection.ts";
import { atOnce } from "../../show/queue.ts";
import { editWords } from "./editWords.ts";
import { defineRequest } from "./kind.ts";

export const keep = defineRequest("keep", {
  needs: "edit",
  words: (request, { sheet, keeping, list }) => {
    if (request.what === "look")
      return `Keeps ${request.stage ? "the lights that are lit on stage" : "what is in hand"} as held look “${request.label}”. Enter keeps it`;
    const edit =
      request.what === "palette"
        ? keeping.paletteEdit(request)
        : request.what === "movement"
          ? keeping.movementEdit(request.label, request.channels ?? chosenLights())
          : keeping.paceEdit(request.label, chosenLights());
    return `Keeps what is in hand. ${editWords(sheet, [edit], list)}. Enter keeps it`;
  },
  run: (request, { keepLook, keeping }, { channels }) => {
    if (request.what === "look") return keepLook(request.label, request.stage ? "stage" : "hand", atOnce);
    if (request.what === "palette") return keeping.keepPalette(request, atOnce);
    if (request.what === "movement")
      return keeping.keepMovement(request.label, request.channels ?? (channels.length > 0 ? channels : undefined), atOnce);
    return keeping.keepPace(request.label, channels.length > 0 ? channels : undefined, atOnce);
  },
});
