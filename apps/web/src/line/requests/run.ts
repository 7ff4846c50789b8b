import { capital } from "@zm/core";
import { openStandby } from "../../shared/dialogs.ts";
import { notify } from "../../shared/notices.ts";
import { api } from "../../show/api.ts";
import { useLive } from "../../show/live.ts";
import { logRun as beginOrEnd } from "../../show/run/logRun.ts";
import { putOnStage } from "../../show/run/putOnStage.ts";
import { pressFor, pressWords } from "../../show/run/typedPress.ts";
import { defineRequest } from "./kind.ts";

export const press = defineRequest("press", {
  needs: "run",
  words: (request, { sheet }) => `Live: ${pressWords(request.press, sheet, useLive.getState().run)}. Enter does it`,
  run: async (request, { client, id, sheet, press: send }) => {
    if (request.press.do === "putOnStage") return putOnStage(client, id);
    if (request.press.do === "chooseSet") {
      openStandby();
      return true;
    }
    const { run } = useLive.getState();
    const pressed = pressFor(request.press, run, sheet);
    return pressed === undefined || (await send(pressed, capital(pressWords(request.press, sheet, run))));
  },
});

export const caller = defineRequest("caller", {
  needs: "run",
  words: ({ speed, from }) =>
    `Live: Enter has the play called${from === undefined ? " from where the list stands" : ` from cue ${from}`}${speed === 1 ? "" : `, ${speed} times as fast`}`,
  run: ({ speed, from }, { call }) => call(speed, from),
});

export const callerLeaves = defineRequest("callerLeaves", {
  needs: "run",
  words: () => "Enter sends the caller away",
  run: (_, { leave }) => leave(),
});

export const logRun = defineRequest("logRun", {
  needs: "run",
  words: ({ begins, name }) =>
    begins
      ? `Enter begins a run${name === undefined ? "" : ` “${name}”`}: what is fired from then on belongs to it, and its times count`
      : "Enter ends the run that is under way",
  run: (request, { client, id }) => beginOrEnd(client, id, request),
});

export const osc = defineRequest("osc", {
  needs: "edit",
  words: ({ on }) => `Enter ${on ? "listens to programs outside, by OSC" : "listens to nobody outside any more"}`,
  run: async ({ on }) => {
    const { address, show } = await api.osc();
    const { fault } = await api.setOsc({ on, address, show });
    notify(
      fault ?? (on ? `Programs outside are listened to at ${address}` : "Nobody outside is listened to"),
      fault ? "trouble" : undefined,
    );
    return fault === null;
  },
});
