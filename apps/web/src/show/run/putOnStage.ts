import type { QueryClient } from "@tanstack/react-query";
import { tellTrouble } from "../../shared/notices.ts";
import { api } from "../api.ts";
import { stageKey } from "../onStage.ts";

/** Puts a show on stage, or takes the one that is there off it. False where the server refuses, which is told. */
export async function putOnStage(client: QueryClient, show: number | null): Promise<boolean> {
  try {
    client.setQueryData(stageKey, await api.putOnStage(show));
    return true;
  } catch (error) {
    tellTrouble(error);
    return false;
  }
}
