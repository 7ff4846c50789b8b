import { queryOptions } from "@tanstack/react-query";
import { api } from "./api.ts";

export const stageKey = ["stage"];

/** Which show is on stage, and how many of its lights are lit; asked for anew whenever another comes there. */
export const stageQuery = queryOptions({ queryKey: stageKey, queryFn: api.stage });
