import type { LineRequest } from "@zm/core";
import type { PreviewResult } from "../preview/preview.ts";
import type { OpenShow } from "../show/openShow.ts";
import type { Answer, LinePlanners } from "./requests/kind.ts";
import { REQUEST_KINDS } from "./requests/registry.ts";

/** Reads a line back in plain words with its impact, before it is made. */
export function answerTo(
  request: LineRequest,
  { sheet }: Pick<OpenShow, "sheet">,
  preview: PreviewResult | null,
  planners: LinePlanners,
): Answer {
  return REQUEST_KINDS[request.kind].words(request, { ...planners, sheet, preview });
}
