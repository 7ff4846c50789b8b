import type { LineRequest } from "@zm/core";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { chooseNamed } from "../choice/selection.ts";
import type { LineTarget } from "../choice/lineText.ts";
import { useAccept } from "../show/accepted.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useKeepLook } from "../show/hand/useKeepLook.ts";
import { useCall } from "../show/run/useCall.ts";
import { usePress } from "../show/run/usePress.ts";
import { useHistory, useMakeEdits, useShow } from "../show/useShow.ts";
import type { LineTools } from "./requests/kind.ts";
import { REQUEST_KINDS } from "./requests/registry.ts";

/** True for a line that is done at once and waits for nothing. */
export function isDoneHere({ kind }: LineRequest): boolean {
  return REQUEST_KINDS[kind].isLocal;
}

/** Chooses what a line speaks of, when it is entered: nothing moves the choice later, when the server has answered. */
export function chooseFor(request: LineRequest): void {
  if (request.kind === "edit") chooseNamed(request);
}

/** Does what a line asks for; true when it was done. What asks the server does so at once: its turn has come. Refusals of the server come through. */
export function useLineRequest(
  makers: Pick<LineTools, "recording" | "updating" | "keeping">,
): (request: LineRequest, target: LineTarget) => Promise<boolean> {
  const tools: LineTools = {
    ...makers,
    ...useShow(),
    ...useCall(),
    ...useHandChange(),
    navigate: useNavigate(),
    client: useQueryClient(),
    makeEdits: useMakeEdits(),
    press: usePress(),
    keepLook: useKeepLook(),
    accept: useAccept(),
    history: useHistory(),
  };
  return async (request, target) => REQUEST_KINDS[request.kind].run(request, tools, target);
}
