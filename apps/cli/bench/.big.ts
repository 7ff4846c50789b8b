import { trialShow } from "@zm/demo";
import { sheetOf, applyEdits, readEdits, invertSteps, takeSteps } from "@zm/core";
const show = trialShow((process.argv[2] ?? "large") as "large", 7);
let t = performance.now(); const lap = (w: string) => { const n = performance.now(); console.log(w, (n - t).toFixed(0), "ms"); t = performance.now(); };
const sheet = sheetOf(show); lap("sheet");
const list = show.lists[0]!; const nums = list.cues.map((c) => c.number);
const count = Number(process.argv[3] ?? nums.length);
const some = nums.slice(10, 10 + count);
for (const looks of ["letGo", "keepLooks"]) {
  const edits = readEdits(some.map((cue) => ({ op: "deleteCue", cue, looks }))); lap("read");
  const { steps, sheet: after } = applyEdits(sheet, edits); lap(`delete ${some.length} ${looks}: ${steps.length} steps`);
  const text = JSON.stringify(steps); lap(`stringify ${text.length}`);
  takeSteps(after, invertSteps(steps)); lap("undo");
}
const all = readEdits([{ op: "change", from: nums[0], to: nums.at(-1), keys: { families: ["intensity"] }, do: { scale: 0.9 }, where: "moves", after: "track" }] as never);
const r = applyEdits(sheet, all); lap(`scale all ${r.steps.length}`);
