import { expect, test } from "@jest/globals";
import { type Finding, findingId } from "../../src/index.ts";

const finding = (message: string): Finding => ({ code: "mark-late", severity: "error", list: "main", cue: "4", channel: 65, message });

test("a finding put aside when its message said channel is the same finding now", () => {
  // Computed by the product before its messages said "light".
  expect(findingId(finding("Light 65 needs 2 s; so does light 7."))).toBe("7e29d79154f64eca");
});

test("another figure is another finding", () => {
  expect(findingId(finding("Light 65 needs 3 s."))).not.toBe(findingId(finding("Light 65 needs 2 s.")));
});
